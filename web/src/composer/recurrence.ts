/** The days of the week as RFC 5545 writes them, Monday first. */
export const WEEKDAYS = ["MO", "TU", "WE", "TH", "FR", "SA", "SU"] as const;
export type Weekday = (typeof WEEKDAYS)[number];

export type Recurrence =
  | { kind: "demand" }
  | { kind: "load"; minutes: number }
  | { kind: "daily" }
  | { kind: "weekly"; days: Weekday[] }
  | { kind: "monthly"; day: number };

const EVERY_MONTH_HAS = 28;

/** After loads, perhaps with the least span from one issue to the next (ISO 8601); no rule of RFC 5545. */
const AFTER_LOAD = "AFTER-LOAD";

function minutesOf(rule: string): number {
  const [, hours, minutes] = /SPAN=PT(?:(\d+)H)?(?:(\d+)M)?/.exec(rule) ?? [];
  return Number(hours ?? 0) * 60 + Number(minutes ?? 0);
}

function duration(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  return `PT${hours > 0 ? `${hours}H` : ""}${rest > 0 ? `${rest}M` : ""}`;
}

/** Takes a rule apart for its editor; the rules are those that {@link writeRule} makes. */
export function readRule(rule: string): Recurrence {
  if (rule === "") return { kind: "demand" };
  if (rule.startsWith(AFTER_LOAD)) return { kind: "load", minutes: minutesOf(rule) };
  const parts = new Map(rule.split(";").map((part) => part.split("=") as [string, string]));
  switch (parts.get("FREQ")) {
    case "DAILY":
      return { kind: "daily" };
    case "MONTHLY":
      return { kind: "monthly", day: Number(parts.get("BYMONTHDAY")?.split(",").at(-1) ?? 1) };
    default: {
      const days = parts.get("BYDAY")?.split(",") ?? [];
      return { kind: "weekly", days: WEEKDAYS.filter((day) => days.includes(day)) };
    }
  }
}

/** The code of the period that is as long as it is between two issues; none where they come unevenly. */
export function matchingPeriod(rule: string): string | null {
  const recurrence = readRule(rule);
  switch (recurrence.kind) {
    case "demand":
    case "load":
      return null;
    case "daily":
      return "yesterday";
    case "weekly":
      return recurrence.days.length === 1 ? "last-week" : recurrence.days.length === 7 ? "yesterday" : null;
    case "monthly":
      return "last-month";
  }
}

/** Writes a recurrence as RFC 5545 does (§3.3.10); a date that a month lacks is its last day (BYSETPOS). */
export function writeRule(recurrence: Recurrence): string {
  switch (recurrence.kind) {
    case "demand":
      return "";
    case "load":
      return recurrence.minutes === 0 ? AFTER_LOAD : `${AFTER_LOAD};SPAN=${duration(recurrence.minutes)}`;
    case "daily":
      return "FREQ=DAILY";
    case "weekly":
      return `FREQ=WEEKLY;BYDAY=${WEEKDAYS.filter((day) => recurrence.days.includes(day)).join(",")}`;
    case "monthly":
      return recurrence.day <= EVERY_MONTH_HAS
        ? `FREQ=MONTHLY;BYMONTHDAY=${recurrence.day}`
        : `FREQ=MONTHLY;BYMONTHDAY=${lastOf(recurrence.day)};BYSETPOS=-1`;
  }
}

function lastOf(day: number): string {
  const count = day - EVERY_MONTH_HAS + 1;
  return Array.from({ length: count }, (_, i) => EVERY_MONTH_HAS + i).join(",");
}
