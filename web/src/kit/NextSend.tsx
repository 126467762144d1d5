import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { words } from "../words";
import { until, useWhen, weekdayAndTime } from "./when";

const WITHIN_DAYS = 6;

/** When the next issue that I own or am sent leaves. */
export function NextSend() {
  const when = useWhen();
  const next = useRead<Api["NextSend"]>("subscriptions/next", { every: 20_000 }).data;
  if (!next?.at) return null;
  const days = (Date.parse(next.at) - Date.parse(next.now)) / 86_400_000;
  const at = days < WITHIN_DAYS ? weekdayAndTime(next.at, when.zone) : when.moment(next.at);
  return (
    <span className="text-quiet text-xs whitespace-nowrap max-sm:hidden" title={when.moment(next.at)}>
      {words.next(at, until(next.at, next.now))}
    </span>
  );
}
