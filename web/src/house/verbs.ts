import type { Api } from "../api/client";

export type Verb = Api["GrantCell"]["verbs"][number];

/** From the least to the most; each is chosen with those before it. */
export const VERBS: Verb[] = ["SEE", "SUBSCRIBE_SELF", "SUBSCRIBE_TEAMMATES"];

/** The strongest of a set, as the set is shown by words; null for none. */
export const strongest = (verbs: Verb[]): Verb | null =>
  VERBS.filter((verb) => verbs.includes(verb)).at(-1) ?? null;

/** How many of the steps a set reaches. */
export const reach = (verbs: Verb[]): number =>
  VERBS.indexOf(strongest(verbs) ?? "SEE") + (verbs.length > 0 ? 1 : 0);
