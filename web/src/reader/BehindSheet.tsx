import { useState } from "react";
import { AS_PUBLISHED, type Cut } from "../kit/cut";
import { RowsTable } from "../kit/RowsTable";
import { useRows, type Behind } from "../kit/rows";
import { Sheet } from "../kit/Sheet";
import { words } from "../words";

interface Props {
  report: number;
  cut: Cut;
  behind: Behind;
  close: () => void;
}

/** The rows that a figure, a mark or a line is made of. */
export function BehindSheet({ report, cut, behind, close }: Props) {
  const [layout, lay] = useState(AS_PUBLISHED);
  const rows = { report, cut, layout, ...behind };
  const { view } = useRows(rows, 0, 1);
  const title = view ? view.of.join(", ") : words.rows.title;
  return (
    <Sheet label={words.rows.behind(title)} close={close} closes>
      <div className="min-w-0 md:col-span-2 md:row-start-1">
        <RowsTable title={title} rows={rows} lay={lay} />
      </div>
    </Sheet>
  );
}
