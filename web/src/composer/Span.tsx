import { words } from "../words";

interface Props {
  minutes: number;
  change: (minutes: number) => void;
}

const HOUR = 60;
const DAY = 24 * HOUR;
const USUAL = [0, 15, 30, HOUR, 2 * HOUR, 3 * HOUR, 6 * HOUR, 12 * HOUR, DAY, 2 * DAY, 7 * DAY];

/** The least span from one issue to the next. */
export function Span({ minutes, change }: Props) {
  const choices = [...new Set([...USUAL, minutes])].sort((a, b) => a - b);
  return (
    <label className="block w-64">
      <span className="head">{words.when.span}</span>
      <select className="fill" value={minutes} onChange={(event) => change(Number(event.target.value))}>
        {choices.map((each) => (
          <option key={each} value={each}>
            {said(each)}
          </option>
        ))}
      </select>
    </label>
  );
}

function said(minutes: number): string {
  if (minutes === 0) return words.when.eachLoad;
  if (minutes % DAY === 0) return words.when.spanOfDays(minutes / DAY);
  return minutes % HOUR === 0 ? words.when.spanOfHours(minutes / HOUR) : words.when.spanOfMinutes(minutes);
}
