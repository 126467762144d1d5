import type { Api } from "../api/client";
import { words } from "../words";

export type Verb = Api["GrantCell"]["verbs"][number];

/** From the least to the most; each is chosen with those before it. */
export const VERBS = ["KNOW", "SEE", "SUBSCRIBE_SELF", "SUBSCRIBE_TEAMMATES"] as const satisfies Verb[];

/** Those that stand beside them, each chosen by itself; whoever has one also sees. */
export const BESIDE = ["PUBLISH", "MANAGE"] as const satisfies Verb[];

export type Reach = (typeof VERBS)[number];
export type Beside = (typeof BESIDE)[number];

export const besideOf = (verbs: Verb[]): Beside[] => BESIDE.filter((verb) => verbs.includes(verb));

/** The strongest of a set, as the set is shown by words; null for none. */
export const strongest = (verbs: Verb[]): Reach | null =>
  VERBS.filter((verb) => verbs.includes(verb)).at(-1) ?? null;

/** With what comes with it: who publishes or manages also sees. */
const complete = (verbs: Verb[]): Verb[] => (besideOf(verbs).length > 0 ? [...verbs, "SEE"] : verbs);

/** How many of the steps a set reaches. */
export function reach(verbs: Verb[]): number {
  const verb = strongest(complete(verbs));
  return verb === null ? 0 : VERBS.indexOf(verb) + 1;
}

/** What a set allows, in words. */
export function saidOf(verbs: Verb[]): string {
  const verb = strongest(complete(verbs));
  return verb === null
    ? words.house.nothing
    : [verb, ...besideOf(verbs)].map((each) => words.verb[each]).join(", ");
}
