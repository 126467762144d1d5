import type { Api } from "../api/client";
import { monthName } from "../kit/when";

type Spine = Api["Spine"];

/** Where an instant stands on the shelf, 0 at its left end and 1 at its right. */
export function place(instant: string, from: string, to: string): number {
  return (Date.parse(instant) - Date.parse(from)) / (Date.parse(to) - Date.parse(from));
}

/** The months that begin within the shelf's span, each with where it begins; the first where the span does. */
export function months(from: string, to: string, zone: string): { name: string; at: number }[] {
  const start = new Date(from);
  const found = [{ name: monthName(start, zone), at: 0 }];
  const first = new Date(Date.UTC(start.getUTCFullYear(), start.getUTCMonth() + 1, 1, 12));
  for (let month = first; month < new Date(to); month = nextMonth(month)) {
    found.push({ name: monthName(month, zone), at: place(month.toISOString(), from, to) });
  }
  return found;
}

const nextMonth = (month: Date) => new Date(Date.UTC(month.getUTCFullYear(), month.getUTCMonth() + 1, 1, 12));

export const WIDEST_PX = 15;
const NARROWEST_PX = 5;
const GAP_PX = 3;

/** The smallest distance between two neighbours on a row, in pixels. */
function narrowest(spines: Spine[], from: string, to: string, axisPx: number): number {
  let gap = Infinity;
  for (let i = 1; i < spines.length; i++) {
    const [one, other] = [spines[i - 1], spines[i]];
    if (one && other) {
      gap = Math.min(gap, (place(other.at, from, to) - place(one.at, from, to)) * axisPx);
    }
  }
  return gap;
}

/** One spine, or a week's spines where they would touch each other. */
export interface Sheaf {
  spines: Spine[];
  at: string;
  /** The one of its states that one should know of first. */
  state: Spine["state"];
}

/** A fault of Tuesday is not covered by what went well on Friday. */
const GRAVEST_FIRST: Spine["state"][] = [
  "FAILED",
  "PARTLY",
  "UNDER_WAY",
  "UNREAD",
  "SKIPPED",
  "OTHERS",
  "READ",
];

function sheafOf(spines: Spine[], from: string): Sheaf {
  const state = GRAVEST_FIRST.find((each) => spines.some((spine) => spine.state === each)) ?? "READ";
  return { spines, at: spines.at(-1)?.at ?? from, state };
}

/** How many of a sheaf there are of each state, the gravest first. */
export const statesOf = ({ spines }: Sheaf) =>
  GRAVEST_FIRST.map((state) => ({
    state,
    many: spines.filter((spine) => spine.state === state).length,
  })).filter(({ many }) => many > 0);

const WEEK_MS = 7 * 86_400_000;
const A_MONDAY_MS = Date.UTC(2024, 0, 1);

function weekOf(spine: Spine): number {
  return Math.floor((Date.parse(spine.at) - A_MONDAY_MS) / WEEK_MS);
}

/** A row's spines as they can be drawn: each alone, or bound to sheaves of a week. */
export function bind(spines: Spine[], from: string, to: string, axisPx: number) {
  const gap = narrowest(spines, from, to, axisPx);
  if (gap - GAP_PX >= NARROWEST_PX) {
    const width = Math.min(WIDEST_PX, Math.floor(gap - GAP_PX));
    return { width, sheaves: spines.map((spine) => sheafOf([spine], from)) };
  }
  const weeks = new Map<number, Spine[]>();
  for (const spine of spines) {
    weeks.set(weekOf(spine), [...(weeks.get(weekOf(spine)) ?? []), spine]);
  }
  return { width: WIDEST_PX, sheaves: [...weeks.values()].map((week) => sheafOf(week, from)) };
}
