import { useMe, useSession } from "./useSession";
import { words } from "../words";

const MINUTE = 60_000;

function parts(instant: string, zone: string, options: Intl.DateTimeFormatOptions): Record<string, string> {
  const format = new Intl.DateTimeFormat("en-GB", { timeZone: zone, hourCycle: "h23", ...options });
  return Object.fromEntries(format.formatToParts(new Date(instant)).map((part) => [part.type, part.value]));
}

/** "Mon 23 Nov, 07:00", in the zone given; "Mon 23 Nov 2026, 07:00" where that is not the year of {@code now}. */
export function moment(instant: string, zone: string, now: string = instant): string {
  const p = parts(instant, zone, {
    weekday: "short",
    day: "numeric",
    month: "short",
    year: "numeric",
    hour: "2-digit",
    minute: "2-digit",
  });
  return `${dated(p, zone, now)}, ${p.hour}:${p.minute}`;
}

/** Weekday, day and month, with the year where it is not that of {@code now}. */
function dated(p: Record<string, string>, zone: string, now: string): string {
  const year = p.year === parts(now, zone, { year: "numeric" }).year ? "" : ` ${p.year}`;
  return `${p.weekday} ${p.day} ${p.month?.slice(0, 3)}${year}`;
}

/** "Mon 23 Nov": a date without a time; "Mon 23 Nov 2026" where that is not the year of {@code now}. */
export function day(date: string, zone = "UTC", now = `${date}T00:00:00Z`): string {
  const p = parts(`${date}T00:00:00Z`, "UTC", {
    weekday: "short",
    day: "numeric",
    month: "short",
    year: "numeric",
  });
  return dated(p, zone, now);
}

/** "Mon 07:00": for what lies within a week. */
export function weekdayAndTime(instant: string, zone: string): string {
  const p = parts(instant, zone, { weekday: "short", hour: "2-digit", minute: "2-digit" });
  return `${p.weekday} ${p.hour}:${p.minute}`;
}

/** "September": the month that an instant is in. */
export const monthName = (instant: Date, zone: string): string =>
  new Intl.DateTimeFormat("en-GB", { timeZone: zone, month: "long" }).format(instant);

/** "in 2 h 10", "in 3 days", "now". */
export function until(instant: string, now: string): string {
  const minutes = Math.round((Date.parse(instant) - Date.parse(now)) / MINUTE);
  if (minutes < 1) return words.when.now;
  if (minutes < 60) return words.when.inMinutes(minutes);
  if (minutes < 48 * 60) return words.when.inHours(Math.floor(minutes / 60), minutes % 60);
  return words.when.inDays(Math.round(minutes / 1440));
}

/** The instant of a local date and time ("2026-11-30T07:00") in a zone. */
export function instantOf(local: string, zone: string): string {
  const asUtc = Date.parse(`${local}:00Z`);
  const ahead = (at: number) => Date.parse(`${localIn(new Date(at), zone)}Z`) - at;
  // The offset is asked for twice, as it may change between the first guess and the moment itself.
  return new Date(asUtc - ahead(asUtc - ahead(asUtc))).toISOString();
}

/** "2026-11-30T07:00:00": what clocks in the zone show. */
const localIn = (at: Date, zone: string): string =>
  at.toLocaleString("sv-SE", { timeZone: zone }).replace(" ", "T");

/** The same, in the zone of whoever is signed in. */
export function useWhen() {
  const { zone } = useMe();
  const now = useSession().data?.now;
  return {
    zone,
    day: (date: string) => day(date, zone, now),
    moment: (instant: string) => moment(instant, zone, now),
  };
}
