import type { Api } from "../api/client";

/** A part of a subscription that can be written by itself. */
export type Part = Api["Note"]["part"];
