import { useQueries, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { call, type Api } from "../api/client";
import { writeCut, type Cut, type Layout } from "./cut";

/** Which rows are looked at: behind what of a page that is cut so, laid out how. */
export interface Rows extends Behind {
  report: number;
  cut: Cut;
  layout: Layout;
}

/** What rows are asked for: behind a block, or one mark or line of it. */
export interface Behind {
  block: string;
  /** Which mark or line of it; without, all of it. */
  keys?: string[];
}

/** What can be done with the blocks of a page that is read, as it is not with one that was kept. */
export interface Live {
  /** The address of a block as a file. */
  file: (kind: "CSV" | "PNG", block: string) => string;
  /** Shows the rows behind something; none where the publisher shows none. */
  behind?: (what: Behind) => void;
  /** The rows of a table, and how they are laid out anew. */
  table: (block: string) => { rows: Rows; lay: (layout: Layout) => void };
}

type View = Api["RowsView"];

/** As many as the server gives at once. */
const STRETCH = 200;

/** Where they are read, or had as a file. */
export function rowsPath(rows: Rows, what: "rows" | "rows/file", from = 0): string {
  const query = writeCut({ ...rows.cut, tables: {} });
  if (rows.block) query.set("block", rows.block);
  rows.keys?.forEach((key) => query.append("of", key));
  if (rows.layout.sort) query.set("sort", rows.layout.sort);
  if (rows.layout.descending) query.set("descending", "true");
  rows.layout.columns.forEach((column) => query.append("column", column));
  if (from > 0) query.set("from", String(from));
  return `reports/${rows.report}/${what}?${query}`;
}

const isOf = (report: number, queryKey: readonly unknown[]) =>
  String(queryKey[0]).startsWith(`reports/${report}/rows?`);

/** The rows from one place to another, read in stretches as they are come to. */
export function useRows(rows: Rows, from: number, end: number) {
  const first = Math.floor(from / STRETCH);
  const last = Math.max(first, Math.floor((end - 1) / STRETCH));
  const read = useQueries({
    queries: Array.from({ length: last - first + 1 }, (_, i) => {
      const path = rowsPath(rows, "rows", (first + i) * STRETCH);
      return {
        queryKey: [path],
        queryFn: ({ signal }: { signal: AbortSignal }) => call<View>(path, { signal }),
      };
    }),
  });
  const queries = useQueryClient();
  const isMixed = new Set(read.flatMap(({ data }) => (data ? [data.load] : []))).size > 1;
  useEffect(() => {
    // loaded anew while somebody reads: what was read of the load before is read again
    if (isMixed) void queries.invalidateQueries({ predicate: ({ queryKey }) => isOf(rows.report, queryKey) });
  }, [isMixed, queries, rows.report]);
  return {
    /** Any of the stretches: what they are of, and how many rows there are. */
    view: read.find((each) => each.data)?.data,
    failed: read.find((each) => each.isError),
    row: (place: number) => read[Math.floor(place / STRETCH) - first]?.data?.table.rows[place % STRETCH],
  };
}
