import type { Api } from "../api/client";
import { words } from "../words";
import { verdictColour } from "./verdict";

type Cell = Api["Cell"];

interface LineProps {
  cells: Cell[];
  heads: Api["Head"][];
  className: string;
  /** What it is known by, and what shows the rows behind it. */
  keys?: string[];
  behind?: (keys: string[]) => void;
}

function Line({ cells, heads, className, keys = [], behind }: LineProps) {
  return (
    <tr className={className}>
      {cells.map((cell, i) => (
        <td
          key={heads[i]?.title}
          className={`py-1.5 pl-6 first:pl-0 ${heads[i]?.number ? "text-right" : "min-w-28 wrap-anywhere"} ${
            cell.verdict === "NEITHER" ? "" : verdictColour(cell.verdict)
          } ${cell.weight === "PLAIN" ? "" : "font-semibold"}`}
        >
          {i === keys.length - 1 && behind ? (
            <button
              type="button"
              className="choose text-left"
              aria-label={words.rows.of(cell.text)}
              onClick={() => behind(keys)}
            >
              {cell.text}
            </button>
          ) : (
            cell.text
          )}
        </td>
      ))}
    </tr>
  );
}

interface Props {
  table: Api["Table"];
  /** Shows the rows behind a line. */
  behind?: (keys: string[]) => void;
}

/** A report's table: thin rules, aligned figures, the sum under a stronger rule. */
export function TableBlock({ table, behind }: Props) {
  return (
    <div className="max-w-full min-w-0 overflow-x-auto">
      <table className="w-full" aria-label={table.title}>
        <caption className="pb-1 text-left font-semibold">{table.title}</caption>
        <thead>
          <tr className="border-base-300 border-b">
            {table.heads.map((head) => (
              <th
                key={head.title}
                scope="col"
                className={`head py-1.5 pl-6 align-bottom first:pl-0 ${head.number ? "text-right" : "text-left"}`}
              >
                {head.title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map((row, i) => (
            <Line
              key={i}
              cells={row}
              heads={table.heads}
              className="border-base-300 border-b"
              keys={table.keys[i]}
              behind={behind}
            />
          ))}
          {table.total.length > 0 && (
            <Line
              cells={table.total}
              heads={table.heads}
              className="border-base-content border-t font-semibold"
            />
          )}
        </tbody>
      </table>
      {table.count > table.rows.length && (
        <p className="text-quiet py-2 text-xs">{words.rows.first(table.rows.length, table.count)}</p>
      )}
      {table.note && <p className="text-quiet pt-1 text-xs">{table.note}</p>}
      {table.rows.length === 0 && <p className="text-quiet py-2">{words.noRows}</p>}
    </div>
  );
}
