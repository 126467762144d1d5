import type { Api } from "../api/client";

export type Recurrence = Api["RecurrenceView"];
export type Weekday = Recurrence["days"][number];

export const WEEKDAYS: readonly Weekday[] = [
  "MONDAY",
  "TUESDAY",
  "WEDNESDAY",
  "THURSDAY",
  "FRIDAY",
  "SATURDAY",
  "SUNDAY",
];

const EVERY_MONTH_HAS = 28;

/** After loads, perhaps with the least span from one issue to the next (ISO 8601); no rule of RFC 5545. */
const AFTER_LOAD = "AFTER-LOAD";

function duration(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  return `PT${hours > 0 ? `${hours}H` : ""}${rest > 0 ? `${rest}M` : ""}`;
}

/** What the server says of a rule: only the server reads rules. */
export const readingOf = (rule: string) => `recurrences?rule=${encodeURIComponent(rule)}`;

/** Writes what the controls show as RFC 5545 does (§3.3.10); a date that a month lacks is its last day (BYSETPOS). */
export function writeRule({ kind, days, date, minutes }: Recurrence): string {
  switch (kind) {
    case "DEMAND":
      return "";
    case "LOAD":
      return minutes ? `${AFTER_LOAD};SPAN=${duration(minutes)}` : AFTER_LOAD;
    case "DAILY":
      return "FREQ=DAILY";
    case "WEEKLY": {
      const chosen = WEEKDAYS.filter((day) => days.includes(day)).map((day) => day.slice(0, 2));
      return `FREQ=WEEKLY;BYDAY=${chosen.join(",")}`;
    }
    case "MONTHLY": {
      const day = date ?? 1;
      return day <= EVERY_MONTH_HAS
        ? `FREQ=MONTHLY;BYMONTHDAY=${day}`
        : `FREQ=MONTHLY;BYMONTHDAY=${lastOf(day)};BYSETPOS=-1`;
    }
  }
}

function lastOf(day: number): string {
  const count = day - EVERY_MONTH_HAS + 1;
  return Array.from({ length: count }, (_, i) => EVERY_MONTH_HAS + i).join(",");
}
