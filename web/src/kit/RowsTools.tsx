import { useState } from "react";
import { address, call, type Api } from "../api/client";
import { words } from "../words";
import type { Layout } from "./cut";
import { ColumnChoice } from "./ColumnChoice";
import { PartOf } from "./PartOf";
import { rowsPath, type Rows } from "./rows";

type View = Api["RowsView"];

interface Props {
  title: string;
  rows: Rows;
  view?: View;
  lay: (layout: Layout) => void;
}

/** How many rows there are, which columns of them are shown, and how they are taken along. */
export function RowsTools({ title, rows, view, lay }: Props) {
  const [choosing, setChoosing] = useState(false);
  const [copied, setCopied] = useState("");
  const copy = async () => {
    const first = await call<View>(rowsPath(rows, "rows"));
    await navigator.clipboard.writeText(asText(first));
    setCopied(words.rows.copied(first.table.rows.length, first.table.count));
  };
  return (
    <div className="pb-2 text-sm">
      <p className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <span className="font-semibold">{title}</span>
        {view && <span>{words.rows.count(view.table.count)}</span>}
        {view && (
          <PartOf open={choosing} toggle={() => setChoosing(!choosing)}>
            {words.rows.columns(view.columns.length, view.offered.length)}
          </PartOf>
        )}
        <button type="button" className="choose" onClick={() => void copy()}>
          {words.rows.copy}
        </button>
        <a
          className="choose"
          href={address(rowsPath(rows, "rows/file"))}
          download
          aria-label={words.reader.take(title, "CSV")}
        >
          {words.rows.csv}
        </a>
        <span role="status" className="text-quiet">
          {copied}
        </span>
      </p>
      {choosing && view && (
        <ColumnChoice
          offered={view.offered}
          shown={view.columns.map((each) => each.column)}
          change={(columns) => lay({ ...rows.layout, columns })}
        />
      )}
    </div>
  );
}

/** As spreadsheets and mails take it: cells parted by tabs. */
function asText(view: View): string {
  const lines = [
    view.table.heads.map((head) => head.title),
    ...view.table.rows.map((row) => row.map((cell) => cell.text)),
  ];
  return lines.map((line) => line.join("\t")).join("\n");
}
