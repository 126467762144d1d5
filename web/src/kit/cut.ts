import type { Api } from "../api/client";

export type Filter = Api["Filter"];

/** How the rows of a table are laid out: as the publisher has it where nothing is said. */
export type Layout = Api["Layout"];

/**
 * What is set on the screen, as the address holds it: page, period, what columns are narrowed to, and tables of rows by
 * block. Without a page or period the report has its own.
 */
export type Cut = Api["Cut"];

export const AS_PUBLISHED: Layout = { sort: "", descending: false, columns: [] };

/** How filters are called in addresses; the server reads the same. */
const NAMES: Record<Filter["test"], string> = {
  ANY_OF: "filter",
  NONE_OF: "except",
  CONTAINS: "contains",
  BETWEEN: "between",
  TOP: "top",
  EMPTY: "empty",
  FILLED: "filled",
  ANSWER: "answer",
};
const AND = "..";

/** A column as it stands before a colon; its own colons are written so that they are not taken for that one. */
const written = (column: string) => column.replaceAll(":", "%3A");
const read = (column: string) => column.replaceAll("%3A", ":");

export function readCut(search: URLSearchParams): Cut {
  return {
    page: search.get("page") ?? "",
    period: search.get("period") ?? "",
    filters: Object.entries(NAMES).flatMap(([test, name]) =>
      search.getAll(name).reduce<Filter[]>((filters, each) => add(filters, test as Filter["test"], each), []),
    ),
    tables: readTables(search),
  };
}

function readTables(search: URLSearchParams): Record<string, Layout> {
  const tables: Record<string, Layout> = {};
  const each = (name: string, set: (layout: Layout, column: string) => Layout) =>
    search.getAll(name).forEach((text) => {
      const colon = text.indexOf(":");
      const block = text.slice(0, colon);
      tables[block] = set(tables[block] ?? AS_PUBLISHED, text.slice(colon + 1));
    });
  each("up", (layout, sort) => ({ ...layout, sort, descending: false }));
  each("down", (layout, sort) => ({ ...layout, sort, descending: true }));
  each("column", (layout, column) => ({ ...layout, columns: [...layout.columns, column] }));
  return tables;
}

/** Values that a column is to be one of come one by one. */
function add(filters: Filter[], test: Filter["test"], text: string): Filter[] {
  const colon = text.indexOf(":");
  const before = colon < 0 ? text : text.slice(0, colon);
  const column = read(before);
  const value = text.slice(before.length + 1);
  if (test === "EMPTY" || test === "FILLED") return [...filters, { column, test, values: [] }];
  if (test === "BETWEEN" || test === "TOP") {
    const and = value.indexOf(AND);
    return [...filters, { column, test, values: [value.slice(0, and), value.slice(and + AND.length)] }];
  }
  const same =
    test === "CONTAINS" || test === "ANSWER" ? undefined : filters.find((filter) => filter.column === column);
  return same
    ? filters.map((filter) => (filter === same ? { ...same, values: [...same.values, value] } : filter))
    : [...filters, { column, test, values: [value] }];
}

export function writeCut(cut: Cut): URLSearchParams {
  const search = new URLSearchParams();
  if (cut.page) search.set("page", cut.page);
  if (cut.period) search.set("period", cut.period);
  writeFilters(cut.filters, search);
  for (const [block, { sort, descending, columns }] of Object.entries(cut.tables)) {
    if (sort) search.append(descending ? "down" : "up", `${block}:${sort}`);
    columns.forEach((column) => search.append("column", `${block}:${column}`));
  }
  return search;
}

function writeFilters(filters: Filter[], to: URLSearchParams) {
  for (const { column, test, values } of filters) {
    const name = NAMES[test];
    if (test === "EMPTY" || test === "FILLED") to.append(name, written(column));
    else if (test === "BETWEEN" || test === "TOP") to.append(name, `${written(column)}:${values.join(AND)}`);
    else values.forEach((value) => to.append(name, `${written(column)}:${value}`));
  }
}
