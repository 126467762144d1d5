import type { Api } from "../api/client";

export type Sample = Api["SampleView"];
export type DateForm = Sample["columns"][number]["dateForms"][number];
export type DecimalMark = NonNullable<Sample["file"]>["marks"][number];
export type Column = Api["Column"];
export type Plan = Api["LoadPlan"];

/** What is said of values that can be read in two ways; null where nothing is. */
export interface Meant {
  dates: DateForm | null;
  decimalMark: DecimalMark | null;
}

export const NOTHING_MEANT: Meant = { dates: null, decimalMark: null };

/** What is said, as an address carries it. */
export const meantIn = ({ dates, decimalMark }: Meant): Record<string, string> => ({
  ...(dates && { dates }),
  ...(decimalMark && { decimalMark }),
});

/** Rows that may become a data set: how they are looked at, and how they are loaded once it is there. */
export interface Rows {
  /** Changes with what is looked at. */
  key: string;
  /** What the data set may be called. */
  name: string;
  /** How it comes by its rows from then on; null where people send them. */
  plan: Plan | null;
  look: (columns: Column[] | null, meant: Meant) => Promise<Sample>;
  load: (id: number, meant: Meant) => Promise<unknown>;
}

/** Files are sent by people, as they like. */
export const SENT: Plan = {
  origin: { kind: "SENT", source: null, ask: "" },
  times: { kind: "BY_HAND", at: null, zone: null, minutes: 0 },
  mode: "REPLACE",
  mostLost: null,
  ...NOTHING_MEANT,
};
