import type { Api } from "../api/client";
import { useWhen } from "../kit/when";
import { words } from "../words";

/** When it goes next, or why it does not. */
export function NextSend({ line }: { line: Api["SubscriptionLine"] }) {
  const { moment } = useWhen();
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
