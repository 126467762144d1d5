import type { Behind } from "./rows";

/** What rows are shown, as the address holds it beside the cut. */
export function readBehind(search: URLSearchParams): Behind | null {
  const block = search.get("behind");
  if (block === null) return null;
  return { block, keys: search.getAll("of") };
}

export function withBehind(search: URLSearchParams, what: Behind | null): URLSearchParams {
  if (what) search.set("behind", what.block);
  what?.keys?.forEach((key) => search.append("of", key));
  return search;
}
