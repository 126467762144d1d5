import type { Api } from "../api/client";

/** By which clocks and weeks days are meant. */
export type Calendar = Pick<Api["Me"], "zone" | "firstDayOfWeek">;

/** The parameters of an address that tells days by it. */
export const inCalendar = ({ zone, firstDayOfWeek }: Calendar) =>
  new URLSearchParams({ zone, weeks: firstDayOfWeek }).toString();
