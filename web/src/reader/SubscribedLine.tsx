import { Link } from "react-router";
import type { Api } from "../api/client";
import { words } from "../words";
import { MOST_NAMED } from "./useSubscribed";

/** What is subscribed to of a report, as far as the reader may see it; nothing where that is nothing. */
export function SubscribedLine({ lines }: { lines: Api["SubscriptionLine"][] }) {
  const live = lines.filter((line) => line.state !== "ENDED");
  if (live.length === 0) return null;
  return (
    <span className="flex flex-wrap gap-x-5 gap-y-1 text-sm print:hidden">
      <span>{words.reader.subscribed}</span>
      {live.slice(0, MOST_NAMED).map((line) => (
        <Link key={line.id} to={`/subscriptions/${line.id}`} title={line.sentence} className="choose">
          {words.reader.subscription(line.name, line.state)}
        </Link>
      ))}
      {live.length > MOST_NAMED && (
        <Link to="/subscriptions" className="choose">
          {words.reader.moreSubscriptions}
        </Link>
      )}
    </span>
  );
}
