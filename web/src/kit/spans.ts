/** Spans that a period is counted in. */
const CALENDAR = ["day", "week", "month", "quarter", "half-year", "year"] as const;
export type Unit = "hour" | (typeof CALENDAR)[number];

/** @param byTime whether rows have a time of day */
export const unitsOf = (byTime: boolean): readonly Unit[] => (byTime ? ["hour", ...CALENDAR] : CALENDAR);

/** Complete spans, up to today with the current one, or (of months) back from yesterday. */
export const REACHES = ["complete", "so-far", "rolling", "whole"] as const;
export type Reach = (typeof REACHES)[number];

/** When days begin. */
export const MIDNIGHT = "00:00";

export interface Span {
  count: number;
  unit: Unit;
  reach: Reach;
  /** When its days begin; of no meaning for hours. */
  at: string;
}

/** Which reaches a count of units can have. */
export function reachesOf(count: number, unit: Unit): Reach[] {
  return REACHES.filter(
    (reach) =>
      reach === "complete" ||
      reach === "so-far" ||
      (reach === "rolling" ? unit === "month" : count === 1 && unit !== "day" && unit !== "hour"),
  );
}

/** A period's code as the server knows it. */
export function codeOf(span: Span): string {
  const begins = span.unit === "hour" || span.at === MIDNIGHT ? "" : `@${span.at}`;
  return codeOfDays(span) + begins;
}

function codeOfDays({ count, unit, reach }: Span): string {
  if (reach === "rolling") return `past-${count}-months`;
  if (reach === "whole") return `whole-${unit}`;
  const several = `last-${count}-${unit}s`;
  const isCounted = count > 1 || unit === "hour";
  if (reach === "complete") return isCounted ? several : unit === "day" ? "yesterday" : `last-${unit}`;
  return isCounted ? `${several}-with-this` : unit === "day" ? "today" : `this-${unit}`;
}

/** What a code counts; null for fixed days. */
export function spanOf(code: string): Span | null {
  const [days = "", at = MIDNIGHT] = code.split("@");
  for (const unit of CALENDAR) {
    for (const reach of REACHES) {
      const one: Span = { count: 1, unit, reach, at };
      if (codeOfDays(one) === days && reachesOf(1, unit).includes(reach)) return one;
    }
  }
  const some = /^(?:last|past)-(\d+)-(hour|day|week|month|quarter|half-year|year)s(-with-this)?$/.exec(days);
  if (!some) return null;
  const reach = days.startsWith("past") ? "rolling" : some[3] ? "so-far" : "complete";
  return { count: Number(some[1]), unit: some[2] as Unit, reach, at };
}

/** The ends of a fixed period as its fields have them: days with both in it, or moments of which the second is not. */
export function fixedOf(code: string, byTime: boolean): { from: string; to: string } {
  const [from = "", to = ""] = code.includes("/") ? code.split("/") : [];
  if (!byTime || from.includes("T")) return { from, to };
  return { from: from && `${from}T${MIDNIGHT}`, to: to && `${dayAfter(to)}T${MIDNIGHT}` };
}

function dayAfter(day: string): string {
  const next = new Date(`${day}T00:00Z`);
  next.setUTCDate(next.getUTCDate() + 1);
  return next.toISOString().slice(0, 10);
}
