import { Link } from "react-router";
import type { Api } from "../api/client";
import { words } from "../words";

/** The subscriptions that send a clipping, said before it is changed or removed. */
export function SentBy({ followers }: { followers: Api["FollowerView"][] }) {
  if (followers.length === 0) return null;
  return (
    <p className="pb-4" role="note">
      {words.clippings.sentBy}{" "}
      {followers.map((each, i) => (
        <span key={each.id}>
          {i > 0 && ", "}
          <Link className="choose" to={`/subscriptions/${each.id}`}>
            {each.name}
          </Link>
        </span>
      ))}
      <span className="text-quiet">. {words.clippings.changesThem(followers.length)}</span>
    </p>
  );
}
