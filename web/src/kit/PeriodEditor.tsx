import { useState } from "react";
import type { Api } from "../api/client";
import { words } from "../words";
import { Field } from "./Field";
import { LastPeriods } from "./LastPeriods";

interface Props {
  periods: Api["PeriodView"][];
  current: string;
  choose: (code: string) => void;
}

const isFixed = (code: string) => code.includes("/");

/** Chooses a period; each shows the dates that it means today. */
export function PeriodEditor({ periods, current, choose }: Props) {
  const fixed = isFixed(current) ? current.split("/") : ["", ""];
  const [from, setFrom] = useState(fixed[0] ?? "");
  const [to, setTo] = useState(fixed[1] ?? "");
  return (
    <div className="grid gap-x-12 gap-y-4 text-sm lg:grid-cols-[2fr_1fr]">
      <ul aria-label={words.period.label} className="gap-x-12 md:columns-2">
        {periods.map((period) => (
          <li key={period.code} className="flex break-inside-avoid justify-between gap-6 py-1">
            <button
              type="button"
              aria-pressed={period.code === current}
              className={period.code === current ? "current" : "choose"}
              onClick={() => choose(period.code)}
            >
              {period.words}
            </button>
            <span className="text-quiet text-right">{period.days}</span>
          </li>
        ))}
      </ul>
      <div className="space-y-4">
        <LastPeriods current={current} choose={choose} />
        <form
          aria-label={words.period.fixed}
          className="flex flex-wrap items-end gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            choose(`${from}/${to}`);
          }}
        >
          <Field
            label={words.period.from}
            type="date"
            required
            value={from}
            onChange={(event) => setFrom(event.target.value)}
            className="w-36"
          />
          <Field
            label={words.period.to}
            type="date"
            required
            min={from}
            value={to}
            onChange={(event) => setTo(event.target.value)}
            className="w-36"
          />
          <button type="submit" className="choose pb-1">
            {words.period.useFixed}
          </button>
        </form>
      </div>
    </div>
  );
}
