import type { Api } from "../api/client";
import { words } from "../words";
import type { Calendar } from "./calendar";
import { FixedDates } from "./FixedDates";
import { LastPeriods } from "./LastPeriods";

interface Props {
  periods: Api["PeriodView"][];
  /** Whether it may begin and end within a day, as the report's rows have a time. */
  byTime: boolean;
  /** By which the days of periods are told, if not by one's own. */
  calendar?: Calendar;
  current: string;
  choose: (code: string) => void;
}

/** Chooses a period; each shows the dates that it means today. */
export function PeriodEditor({ periods, byTime, calendar, current, choose }: Props) {
  return (
    <div className="@container">
      <div className="grid gap-x-12 gap-y-4 text-sm @xl:grid-cols-[1fr_14rem] @4xl:grid-cols-[2fr_1fr]">
        <ul aria-label={words.period.label} className="gap-x-12 @4xl:columns-2">
          {periods.map((period) => (
            <li key={period.code} className="flex break-inside-avoid justify-between gap-6 py-1">
              <button
                type="button"
                aria-pressed={period.code === current}
                className={`text-left ${period.code === current ? "current" : "choose"}`}
                onClick={() => choose(period.code)}
              >
                {period.words}
              </button>
              <span className="text-quiet text-right">{period.days}</span>
            </li>
          ))}
        </ul>
        <div className="space-y-4">
          <LastPeriods byTime={byTime} calendar={calendar} current={current} choose={choose} />
          <FixedDates byTime={byTime} current={current} choose={choose} />
        </div>
      </div>
    </div>
  );
}
