import type { Api } from "../api/client";
import { words } from "../words";

type Day = Api["Me"]["firstDayOfWeek"];

/** The days by which weeks are counted somewhere. */
const FIRST_DAYS: Day[] = ["MONDAY", "SATURDAY", "SUNDAY"];

interface Props {
  current: Day;
  choose: (day: Day) => void;
}

/** On which day a week begins. */
export function WeekStart({ current, choose }: Props) {
  return (
    <label className="block w-64">
      <span className="head">{words.week.begins}</span>
      <select className="fill" value={current} onChange={(event) => choose(event.target.value as Day)}>
        {FIRST_DAYS.map((day) => (
          <option key={day} value={day}>
            {words.week.days[day as keyof typeof words.week.days]}
          </option>
        ))}
      </select>
    </label>
  );
}
