import { useRef, useState, type UIEvent } from "react";
import type { Api } from "../api/client";
import { words } from "../words";
import { AS_PUBLISHED, type Layout } from "./cut";
import { Fault } from "./Fault";
import { RowLine } from "./RowLine";
import { useRows, type Rows } from "./rows";
import { RowsTools } from "./RowsTools";
import { ROW, windowOf } from "./window";

/** Rows in sight before any is there to be measured by. */
const FIRST_SIGHT = 20 * ROW;
const FIRST_COUNT = 20;

interface Props {
  title: string;
  rows: Rows;
  lay: (layout: Layout) => void;
}

/** All rows of the data behind something, a million if need be: those in sight are read as they are come to. */
export function RowsTable({ title, rows, lay }: Props) {
  const [scrolled, setScrolled] = useState(0);
  const [inSight, setInSight] = useState(FIRST_SIGHT);
  // what is known of the rows stays while others of them are read, or the same in another order
  const [known, setKnown] = useState<Api["RowsView"]>();
  const count = known?.table.count ?? FIRST_COUNT;
  const box = useRef<HTMLDivElement>(null);
  const { from, end, offset, height } = windowOf(count, scrolled, inSight);
  const { view, failed, row } = useRows(rows, from, Math.max(end, from + 1));
  if (view && view !== known) setKnown(view);
  const follow = (event: UIEvent<HTMLDivElement>) => {
    setScrolled(event.currentTarget.scrollTop);
    setInSight(event.currentTarget.clientHeight);
  };
  const set = (layout: Layout) => {
    if (box.current) box.current.scrollTop = 0;
    lay(layout);
  };
  const heads = known?.table.heads ?? [];
  const columns = known?.columns ?? [];
  const { sort, descending } = rows.layout;
  return (
    <div className="min-w-0 print:hidden">
      <RowsTools title={title} rows={rows} view={known} lay={set} />
      {failed && <Fault error={failed.error} again={() => void failed.refetch()} />}
      <div
        ref={box}
        role="region"
        tabIndex={0}
        aria-label={words.rows.scroll(title)}
        className="max-h-[60vh] overflow-auto"
        onScroll={follow}
      >
        <table className="w-full" aria-label={title} aria-rowcount={count + 1}>
          <thead className="bg-base-100 in-[dialog]:bg-leaf sticky top-0 z-10">
            <tr className="shadow-[inset_0_-1px_var(--color-base-300)]">
              {columns.map((column, i) => (
                <th
                  key={column.column}
                  scope="col"
                  aria-sort={column.column !== sort ? "none" : descending ? "descending" : "ascending"}
                  className={`head py-1.5 pl-6 first:pl-0 ${heads[i]?.number ? "text-right" : "text-left"}`}
                >
                  <button
                    type="button"
                    className={column.column === sort ? "current" : "choose"}
                    onClick={() => set(next(rows.layout, column.column))}
                  >
                    {heads[i]?.title}
                  </button>
                  {column.column === sort && <span aria-hidden>{descending ? " ↓" : " ↑"}</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <Space height={offset} columns={columns.length} />
            {Array.from({ length: end - from }, (_, i) => (
              <RowLine key={from + i} place={from + i} cells={row(from + i)} heads={heads} />
            ))}
            <Space height={height - offset - (end - from) * ROW} columns={columns.length} />
          </tbody>
        </table>
        {known?.table.note && <p className="text-quiet pt-1 text-xs">{known.table.note}</p>}
        {known && count === 0 && <p className="text-quiet py-2">{words.noRows}</p>}
      </div>
    </div>
  );
}

/** Stands for the rows that are not drawn. */
function Space({ height, columns }: { height: number; columns: number }) {
  return height > 0 ? (
    <tr aria-hidden style={{ height }}>
      <td colSpan={columns} />
    </tr>
  ) : null;
}

/** Least first, then greatest first, then as the data have them. */
function next(layout: Layout, column: string): Layout {
  if (layout.sort !== column) return { ...layout, sort: column, descending: false };
  return layout.descending
    ? { ...layout, sort: AS_PUBLISHED.sort, descending: false }
    : { ...layout, descending: true };
}
