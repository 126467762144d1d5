import { Link } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { words } from "../words";

const SHOWN = 4;

/** What is subscribed to of a report, as far as the reader may see it; nothing where that is nothing. */
export function SubscribedLine({ report }: { report: number }) {
  const lines = useRead<Api["SubscriptionLine"][]>(`subscriptions?report=${report}&most=${SHOWN + 1}`);
  const live = (lines.data ?? []).filter((line) => line.state !== "ENDED");
  if (live.length === 0) return null;
  return (
    <p className="flex flex-wrap gap-x-5 gap-y-1 pb-1 text-sm print:hidden">
      <span className="text-quiet">{words.reader.subscribed}</span>
      {live.slice(0, SHOWN).map((line) => (
        <Link key={line.id} to={`/subscriptions/${line.id}`} title={line.sentence} className="choose">
          {words.reader.subscription(line.name, line.state)}
        </Link>
      ))}
      {live.length > SHOWN && (
        <Link to="/subscriptions" className="choose">
          {words.reader.moreSubscriptions}
        </Link>
      )}
    </p>
  );
}
