import type { Api } from "../api/client";
import type { Filter } from "./cut";

export type Narrowable = Api["Narrowable"];

/** A place in the sentence where a column may be narrowed, or is. */
export interface Slot {
  key: string;
  column: Narrowable;
  filter?: Filter;
}

/** The filters that are set, and the columns offered first that are not narrowed, in the publisher's order. */
export function slots(columns: Narrowable[], filters: Filter[]): Slot[] {
  return columns.flatMap((column) => {
    const set = of(column, filters);
    if (set.length > 0) return set.map((filter, i) => ({ key: keyOf(column, i), column, filter }));
    return column.first ? [{ key: keyOf(column, 0), column }] : [];
  });
}

const of = (column: Narrowable, filters: Filter[]) =>
  filters.filter((filter) => filter.column === column.column);

const keyOf = (column: Narrowable, place: number) => `${column.column}#${place}`;

/** One more filter on a column, before it is set. */
export function newSlot(column: Narrowable, filters: Filter[]): Slot {
  return { key: keyOf(column, of(column, filters).length), column };
}

/** The same with one of them put in the place of another, added, or taken away. */
export function withFilter(filters: Filter[], before: Filter | undefined, after: Filter | null): Filter[] {
  if (!before) return after ? [...filters, after] : filters;
  return filters.flatMap((filter) => (filter !== before ? [filter] : after ? [after] : []));
}

/** How a column's values can be held against something. */
type ColumnTest = Exclude<Filter["test"], "ANSWER">;

/** Which tests make sense for a column. */
export function testsOf(column: Narrowable, measures: boolean): ColumnTest[] {
  return column.type === "TEXT"
    ? ["ANY_OF", "NONE_OF", "CONTAINS", ...(measures ? (["TOP"] as const) : []), "EMPTY", "FILLED"]
    : ["BETWEEN", "EMPTY", "FILLED"];
}
