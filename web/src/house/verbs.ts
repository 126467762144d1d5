import type { Api } from "../api/client";
import { words } from "../words";

export type Verb = Api["GrantCell"]["verbs"][number];

/** From the least to the most; each is chosen with those before it. Publishing stands beside them. */
export const VERBS: Verb[] = ["KNOW", "SEE", "SUBSCRIBE_SELF", "SUBSCRIBE_TEAMMATES"];

export const publishes = (verbs: Verb[]): boolean => verbs.includes("PUBLISH");

/** The strongest of a set, as the set is shown by words; null for none. */
export const strongest = (verbs: Verb[]): Verb | null =>
  VERBS.filter((verb) => verbs.includes(verb)).at(-1) ?? null;

/** How many of the steps a set reaches; publishing includes seeing. */
export const reach = (verbs: Verb[]): number =>
  Math.max(VERBS.indexOf(strongest(verbs) ?? "PUBLISH"), publishes(verbs) ? VERBS.indexOf("SEE") : -1) + 1;

/** What a set allows, in words; whoever publishes also sees. */
export function saidOf(verbs: Verb[]): string {
  const verb = strongest(verbs);
  if (!publishes(verbs)) return verb ? words.verb[verb] : words.house.nothing;
  return words.house.andPublishes(words.verb[verb === null || verb === "KNOW" ? "SEE" : verb]);
}
