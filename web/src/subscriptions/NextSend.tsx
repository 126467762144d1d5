import { Link } from "react-router";
import type { Api } from "../api/client";
import { useSetAside } from "../kit/useSetAside";
import { useWhen } from "../kit/when";
import { words } from "../words";

/** When it goes next, or why it does not. */
export function NextSend({ line }: { line: Api["SubscriptionLine"] }) {
  const { moment } = useWhen();
  const held = useSetAside().data?.filter((item) => item.subscription === line.id) ?? [];
  if (held.length > 0) {
    const isStuck = held.some((item) => item.kind === "BOOK");
    return (
      <p className="text-sm">
        {line.nextDue && !isStuck && <span className="block">{moment(line.nextDue)}</span>}
        <Link className="choose text-error" to={`/subscriptions/${line.id}`}>
          {isStuck && line.nextDue ? words.setAside.sendOf(moment(line.nextDue)) : words.setAside.some}
        </Link>
      </p>
    );
  }
  if (line.nextDue) return <p className="text-sm">{moment(line.nextDue)}</p>;
  return (
    <p className={`text-sm ${line.state === "PAUSED" ? "text-late" : "text-quiet"}`}>
      {line.state === "ACTIVE"
        ? words.subscriptions.untimed(line.afterLoads)
        : words.subscriptions.states[line.state]}
      {line.pausedBecause && <span className="block text-xs">{line.pausedBecause}</span>}
    </p>
  );
}
