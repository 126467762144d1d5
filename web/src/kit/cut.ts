/** What is set on the screen, as the address holds it: page, period, and values that columns are narrowed to. */
export interface Cut {
  page: string;
  period: string;
  filters: Record<string, string[]>;
}

export function readCut(search: URLSearchParams): Cut {
  const filters: Record<string, string[]> = {};
  for (const each of search.getAll("filter")) {
    const colon = each.indexOf(":");
    const column = each.slice(0, colon);
    filters[column] = [...(filters[column] ?? []), each.slice(colon + 1)];
  }
  return { page: search.get("page") ?? "", period: search.get("period") ?? "last-week", filters };
}

export function writeCut(cut: Cut): URLSearchParams {
  const search = new URLSearchParams();
  if (cut.page) search.set("page", cut.page);
  search.set("period", cut.period);
  for (const [column, values] of Object.entries(cut.filters)) {
    values.forEach((value) => search.append("filter", `${column}:${value}`));
  }
  return search;
}
