import { Choices } from "../kit/Choices";
import { Count, Field, Tick } from "../kit/Field";
import { ZoneOptions } from "../kit/ZoneOptions";
import { words } from "../words";
import { readRule, WEEKDAYS, writeRule, type Recurrence, type Weekday } from "./recurrence";
import { Span } from "./Span";
import { asksOfData, withFreshData, type Terms } from "./useTerms";

type Schedule = Terms["schedule"];

interface Props {
  terms: Terms;
  change: (part: Partial<Terms>) => void;
}

const KINDS: Recurrence["kind"][] = ["daily", "weekly", "monthly", "load", "demand"];
const LAST_DAY = 31;

/** On which days, at what time, in which zone; or after loads, and whether one comes first. */
export function WhenEditor({ terms, change }: Props) {
  const { schedule } = terms;
  const recurrence = readRule(schedule.recurrence);
  const reschedule = (part: Partial<Schedule>) => change({ schedule: { ...schedule, ...part } });
  const set = (next: Recurrence) => reschedule({ recurrence: writeRule(next) });
  // what is sent after a load cannot begin with one
  const choose = (kind: Recurrence["kind"]) =>
    change({
      ...(kind === "load" ? withFreshData(terms, { loadFirst: false }) : {}),
      schedule: { ...schedule, recurrence: writeRule(ofKind(kind)) },
    });
  return (
    <div className="space-y-3 text-sm">
      <Choices
        label={words.when.how}
        choices={KINDS.map((value) => ({ value, text: words.when.kinds[value] }))}
        current={recurrence.kind}
        choose={choose}
      />
      {recurrence.kind === "weekly" && (
        <Days days={recurrence.days} change={(days) => set({ kind: "weekly", days })} />
      )}
      {recurrence.kind === "monthly" && (
        <div className="flex flex-wrap items-end gap-4">
          <Count
            label={words.when.date}
            most={LAST_DAY}
            value={recurrence.day}
            change={(day) => set({ kind: "monthly", day })}
          />
          {recurrence.day > 28 && <span className="text-quiet pb-2">{words.when.lastDay}</span>}
        </div>
      )}
      {recurrence.kind === "load" && (
        <Span minutes={recurrence.minutes} change={(minutes) => set({ kind: "load", minutes })} />
      )}
      <div className="flex flex-wrap gap-4">
        {recurrence.kind !== "demand" && recurrence.kind !== "load" && (
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
      {recurrence.kind !== "load" && (
        <Tick
          label={words.when.loadFirst}
          checked={asksOfData(terms).loadFirst}
          change={(loadFirst) => change(withFreshData(terms, { loadFirst }))}
        />
      )}
    </div>
  );
}

function ofKind(kind: Recurrence["kind"]): Recurrence {
  switch (kind) {
    case "daily":
    case "demand":
      return { kind };
    case "load":
      return { kind, minutes: 0 };
    case "weekly":
      return { kind, days: ["MO"] };
    case "monthly":
      return { kind, day: 1 };
  }
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
          {words.when.weekdays[day].slice(0, 3)}
          <span className="sr-only">{words.when.weekdays[day].slice(3)}</span>
        </button>
      ))}
    </div>
  );
}
