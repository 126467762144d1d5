import { Link } from "react-router";
import { words } from "../words";
import { Title } from "./Title";

/** An address at which nothing stands. */
export function NotHere() {
  return (
    <>
      <Title title={words.notHere.title} line={words.notHere.line} />
      <Link className="choose" to="/">
        {words.notHere.shelf}
      </Link>
    </>
  );
}
