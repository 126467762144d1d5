import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { writeCut, type Cut } from "./cut";

/** What a column offers beside the filters on the others. */
export function useValues(report: number, column: string, cut: Cut, sought = "", when = true) {
  const query = writeCut({ ...cut, page: "" });
  query.set("column", column);
  if (sought) query.set("words", sought);
  return useRead<Api["ColumnValues"]>(`reports/${report}/values?${query}`, { when });
}
