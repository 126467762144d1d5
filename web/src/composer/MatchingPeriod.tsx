import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { words } from "../words";
import { readingOf, type Recurrence } from "./recurrence";
import type { Terms } from "./useTerms";

interface Props {
  periods: Api["PeriodView"][];
  schedule: Terms["schedule"];
  period: string;
  change: (period: string) => void;
}

/** Where issues come as often as a period is long, it is offered: each day is then in one issue. */
export function MatchingPeriod({ periods, schedule, period, change }: Props) {
  const reading = useRead<Recurrence>(readingOf(schedule.recurrence));
  const match = periods.find((each) => each.code === reading.data?.matching);
  if (!match || match.code === period) return null;
  return (
    <p className="pt-3 text-sm">
      {words.when.matching}{" "}
      <button type="button" className="choose" onClick={() => change(match.code)}>
        {words.when.show(match.words)}
      </button>
    </p>
  );
}
