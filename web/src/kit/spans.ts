/** Spans of the calendar that a period is counted in. */
export const UNITS = ["day", "week", "month", "quarter", "half-year", "year"] as const;
export type Unit = (typeof UNITS)[number];

/** Complete spans, up to today with the current one, or (of months) back from yesterday. */
export const REACHES = ["complete", "so-far", "rolling", "whole"] as const;
export type Reach = (typeof REACHES)[number];

export interface Span {
  count: number;
  unit: Unit;
  reach: Reach;
}

/** Which reaches a count of units can have. */
export function reachesOf(count: number, unit: Unit): Reach[] {
  return REACHES.filter(
    (reach) =>
      reach === "complete" ||
      reach === "so-far" ||
      (reach === "rolling" ? unit === "month" : count === 1 && unit !== "day"),
  );
}

/** A period's code as the server knows it. */
export function codeOf({ count, unit, reach }: Span): string {
  if (reach === "rolling") return `past-${count}-months`;
  if (reach === "whole") return `whole-${unit}`;
  const several = `last-${count}-${unit}s`;
  if (reach === "complete") return count > 1 ? several : unit === "day" ? "yesterday" : `last-${unit}`;
  return count > 1 ? `${several}-with-this` : unit === "day" ? "today" : `this-${unit}`;
}

/** What a code counts; null for fixed days. */
export function spanOf(code: string): Span | null {
  for (const unit of UNITS) {
    for (const reach of REACHES) {
      const one = codeOf({ count: 1, unit, reach });
      if (one === code && reachesOf(1, unit).includes(reach)) return { count: 1, unit, reach };
    }
  }
  const some = /^(?:last|past)-(\d+)-(day|week|month|quarter|half-year|year)s(-with-this)?$/.exec(code);
  if (!some) return null;
  const reach = code.startsWith("past") ? "rolling" : some[3] ? "so-far" : "complete";
  return { count: Number(some[1]), unit: some[2] as Unit, reach };
}
