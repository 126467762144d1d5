import { useState } from "react";
import { words } from "../words";
import { Field } from "./Field";
import { fixedOf } from "./spans";

interface Props {
  /** Whether it may begin and end within a day. */
  byTime: boolean;
  current: string;
  choose: (code: string) => void;
}

/** From one day to another, both included, or from one moment up to another. */
export function FixedDates({ byTime, current, choose }: Props) {
  const fixed = fixedOf(current, byTime);
  const [from, setFrom] = useState(fixed.from);
  const [to, setTo] = useState(fixed.to);
  const type = byTime ? "datetime-local" : "date";
  return (
    <form
      aria-label={byTime ? words.period.fixedTimes : words.period.fixed}
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        choose(`${from}/${to}`);
      }}
    >
      <Field
        label={words.period.from}
        type={type}
        required
        value={from}
        onChange={(event) => setFrom(event.target.value)}
        className={byTime ? "w-52" : "w-36"}
      />
      <Field
        label={words.period.to}
        type={type}
        required
        min={from}
        value={to}
        onChange={(event) => setTo(event.target.value)}
        className={byTime ? "w-52" : "w-36"}
      />
      <button type="submit" className="choose pb-1">
        {byTime ? words.period.useFixedTimes : words.period.useFixed}
      </button>
    </form>
  );
}
