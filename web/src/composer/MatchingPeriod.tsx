import type { Api } from "../api/client";
import { words } from "../words";
import { matchingPeriod } from "./recurrence";
import type { Terms } from "./useTerms";

interface Props {
  periods: Api["PeriodView"][];
  terms: Terms;
  change: (period: string) => void;
}

/** Where issues come as often as a period is long, it is offered: each day is then in one issue. */
export function MatchingPeriod({ periods, terms, change }: Props) {
  const code = matchingPeriod(terms.schedule.recurrence);
  const match = periods.find((period) => period.code === code);
  if (!match || match.code === terms.period) return null;
  return (
    <p className="pt-3 text-sm">
      {words.when.matching}{" "}
      <button type="button" className="choose" onClick={() => change(match.code)}>
        {words.when.show(match.words)}
      </button>
    </p>
  );
}
