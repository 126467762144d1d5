import type { Behind } from "../kit/rows";

/** What rows are shown, as the address holds it beside the cut. */
export function readBehind(search: URLSearchParams): Behind | null {
  const block = search.get("behind");
  if (block === null) return null;
  const category = search.get("of");
  return category === null ? { block } : { block, category };
}

export function withBehind(search: URLSearchParams, what: Behind | null): URLSearchParams {
  if (what) search.set("behind", what.block);
  if (what?.category !== undefined) search.set("of", what.category);
  return search;
}
