import { useState } from "react";
import { useRead } from "../api/use";
import { Choices } from "../kit/Choices";
import { Fault } from "../kit/Fault";
import { Count, Field, Tick } from "../kit/Field";
import { ZoneOptions } from "../kit/ZoneOptions";
import { words } from "../words";
import { readingOf, WEEKDAYS, writeRule, type Recurrence, type Weekday } from "./recurrence";
import { Span } from "./Span";
import { asksOfData, withFreshData, type Terms } from "./useTerms";

type Schedule = Terms["schedule"];

interface Props {
  terms: Terms;
  change: (part: Partial<Terms>) => void;
}

const KINDS: Recurrence["kind"][] = ["DAILY", "WEEKLY", "MONTHLY", "LOAD", "DEMAND"];
const LAST_DAY = 31;

/** What one begins with that is chosen anew. */
const USUAL: Omit<Recurrence, "kind"> = { days: ["MONDAY"], date: 1, minutes: 0, matching: null };

/** On which days, at what time, in which zone; or after loads, and whether one comes first. */
export function WhenEditor({ terms, change }: Props) {
  const { schedule } = terms;
  const reading = useRead<Recurrence>(readingOf(schedule.recurrence));
  // shown at once, before the server has read the rule that it makes
  const [set, setSet] = useState<Recurrence>();
  const recurrence = set && writeRule(set) === schedule.recurrence ? set : reading.data;
  if (!recurrence) return <Fault error={reading.error} />;
  const reschedule = (part: Partial<Schedule>) => change({ schedule: { ...schedule, ...part } });
  const put = (next: Recurrence) => {
    setSet(next);
    return { ...schedule, recurrence: writeRule(next) };
  };
  const recur = (part: Partial<Recurrence>) => change({ schedule: put({ ...recurrence, ...part }) });
  // what is sent after a load cannot begin with one
  const choose = (kind: Recurrence["kind"]) =>
    change({
      ...(kind === "LOAD" ? withFreshData(terms, { loadFirst: false }) : {}),
      schedule: put({ kind, ...USUAL }),
    });
  return (
    <div className="space-y-3 text-sm">
      <Choices
        label={words.when.how}
        choices={KINDS.map((value) => ({ value, text: words.when.kinds[value] }))}
        current={recurrence.kind}
        choose={choose}
      />
      {recurrence.kind === "WEEKLY" && <Days days={recurrence.days} change={(days) => recur({ days })} />}
      {recurrence.kind === "MONTHLY" && (
        <div className="flex flex-wrap items-end gap-4">
          <Count
            label={words.when.date}
            most={LAST_DAY}
            value={recurrence.date ?? 1}
            change={(date) => recur({ date })}
          />
          {(recurrence.date ?? 1) > 28 && <span className="text-quiet pb-2">{words.when.lastDay}</span>}
        </div>
      )}
      {recurrence.kind === "LOAD" && (
        <Span minutes={recurrence.minutes ?? 0} change={(minutes) => recur({ minutes })} />
      )}
      <div className="flex flex-wrap gap-4">
        {recurrence.kind !== "DEMAND" && recurrence.kind !== "LOAD" && (
          <Field
            label={words.when.time}
            type="time"
            required
            value={schedule.at.slice(0, 5)}
            className="w-32"
            onChange={(event) => event.target.value && reschedule({ at: event.target.value })}
          />
        )}
        <label className="block w-64">
          <span className="head">{words.when.zone}</span>
          <select
            className="fill"
            value={schedule.zone}
            onChange={(event) => reschedule({ zone: event.target.value })}
          >
            <ZoneOptions current={schedule.zone} />
          </select>
        </label>
      </div>
      {recurrence.kind !== "LOAD" && (
        <Tick
          label={words.when.loadFirst}
          checked={asksOfData(terms).loadFirst}
          change={(loadFirst) => change(withFreshData(terms, { loadFirst }))}
        />
      )}
    </div>
  );
}

/** At least one day stays chosen. */
function Days({ days, change }: { days: Weekday[]; change: (days: Weekday[]) => void }) {
  const toggle = (day: Weekday) => {
    const next = days.includes(day) ? days.filter((each) => each !== day) : [...days, day];
    if (next.length > 0) change(next);
  };
  return (
    <div role="group" aria-label={words.when.days} className="flex flex-wrap gap-2">
      {WEEKDAYS.map((day) => (
        <button
          key={day}
          type="button"
          aria-pressed={days.includes(day)}
          className={`border px-3 py-1 ${
            days.includes(day)
              ? "border-primary bg-primary text-primary-content font-semibold"
              : "border-base-300 cursor-pointer"
          }`}
          onClick={() => toggle(day)}
        >
          {words.when.weekdays[day]}
        </button>
      ))}
    </div>
  );
}
