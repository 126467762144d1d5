/** The days of the week as RFC 5545 writes them, Monday first. */
export const WEEKDAYS = ["MO", "TU", "WE", "TH", "FR", "SA", "SU"] as const;
export type Weekday = (typeof WEEKDAYS)[number];

export type Recurrence =
  | { kind: "demand" }
  | { kind: "daily" }
  | { kind: "weekly"; days: Weekday[] }
  | { kind: "monthly"; day: number };

const EVERY_MONTH_HAS = 28;

/** Takes a rule apart for its editor; the rules are those that {@link writeRule} makes. */
export function readRule(rule: string): Recurrence {
  if (rule === "") return { kind: "demand" };
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
