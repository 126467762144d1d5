import { useState } from "react";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { words } from "../words";
import { inCalendar, type Calendar } from "./calendar";
import { Field } from "./Field";
import { MIDNIGHT, codeOf, reachesOf, spanOf, unitsOf, type Reach, type Unit } from "./spans";

const MOST = 999;

interface Props {
  /** Whether it may begin and end within a day. */
  byTime: boolean;
  calendar?: Calendar;
  current: string;
  choose: (code: string) => void;
}

const reachWords = (unit: Unit): Record<Reach, string> =>
  unit === "hour" ? { ...words.period.reaches, ...words.period.reachesOfHours } : words.period.reaches;

/** So many days, weeks or the like, with or without the current one; it tells what they mean before they are chosen. */
export function LastPeriods({ byTime, calendar, current, choose }: Props) {
  const [span, setSpan] = useState(
    () => spanOf(current) ?? ({ count: 4, unit: "week", reach: "complete", at: MIDNIGHT } as const),
  );
  const [seen, setSeen] = useState(current);
  if (seen !== current) {
    // chosen elsewhere: what is offered begins with that
    setSeen(current);
    setSpan(spanOf(current) ?? span);
  }
  const reaches = reachesOf(span.count, span.unit);
  const reach = reaches.includes(span.reach) ? span.reach : "complete";
  const counts = span.count >= 1 && span.count <= MOST;
  const code = counts ? codeOf({ ...span, reach }) : "yesterday";
  const meant = useRead<Api["PeriodView"]>(
    `periods/${encodeURIComponent(code)}${calendar ? `?${inCalendar(calendar)}` : ""}`,
  );
  return (
    <form
      aria-label={words.period.last}
      onSubmit={(event) => {
        event.preventDefault();
        choose(code);
      }}
    >
      <div className="flex flex-wrap items-end gap-3">
        <Field
          label={words.period.last}
          type="number"
          min={1}
          max={MOST}
          required
          value={span.count || ""}
          onChange={(event) => setSpan({ ...span, count: Number(event.target.value) })}
          className="w-24"
        />
        <label>
          <span className="sr-only">{words.period.unit}</span>
          <select
            className="fill"
            value={span.unit}
            onChange={(event) => setSpan({ ...span, unit: event.target.value as Unit })}
          >
            {unitsOf(byTime).map((unit) => (
              <option key={unit} value={unit}>
                {words.period.units(unit, span.count)}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="sr-only">{words.period.reach}</span>
          <select
            className="fill"
            value={reach}
            onChange={(event) => setSpan({ ...span, reach: event.target.value as Reach })}
          >
            {reaches.map((each) => (
              <option key={each} value={each}>
                {reachWords(span.unit)[each]}
              </option>
            ))}
          </select>
        </label>
        {byTime && span.unit !== "hour" && (
          <Field
            label={words.period.dayBegins}
            type="time"
            required
            value={span.at}
            onChange={(event) => setSpan({ ...span, at: event.target.value || MIDNIGHT })}
            className="w-28"
          />
        )}
        <button type="submit" className="choose pb-1">
          {words.period.useLast}
        </button>
      </div>
      {counts && meant.data && (
        <p role="status" className="text-quiet pt-1">
          {words.period.means(meant.data.words, meant.data.days)}
        </p>
      )}
    </form>
  );
}
