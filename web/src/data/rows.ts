import type { Api } from "../api/client";

export type Sample = Api["SampleView"];
export type DateForm = Sample["columns"][number]["dateForms"][number];
export type Column = Api["Column"];
export type Plan = Api["LoadPlan"];

/** Rows that may become a data set: how they are looked at, and how they are loaded once it is there. */
export interface Rows {
  /** Changes with what is looked at. */
  key: string;
  /** What the data set may be called. */
  name: string;
  /** How it comes by its rows from then on; null where people send them. */
  plan: Plan | null;
  look: (columns: Column[] | null, dates: DateForm | null) => Promise<Sample>;
  load: (id: number, dates: DateForm | null) => Promise<unknown>;
}

/** Files are sent by people, as they like. */
export const SENT: Plan = {
  origin: { kind: "SENT", source: null, ask: "" },
  times: { kind: "BY_HAND", at: null, zone: null, minutes: 0 },
  mode: "REPLACE",
  dates: null,
};
