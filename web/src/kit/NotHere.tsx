import { Link } from "react-router";
import type { Problem } from "../api/client";
import { words } from "../words";
import { Title } from "./Title";

/** An address at which nothing stands, or nothing for who asks; asking again would not help. */
export function NotHere({ problem }: { problem?: Problem }) {
  return (
    <>
      <Title
        title={words.notHere.title}
        line={problem ? `${problem.happened} ${problem.means} ${problem.todo}` : words.notHere.line}
      />
      <p className="space-x-6">
        <Link className="choose" to="/">
          {words.notHere.shelf}
        </Link>
        <Link className="choose" to="/library">
          {words.notHere.library}
        </Link>
      </p>
    </>
  );
}
