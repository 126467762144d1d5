import type { Api } from "../api/client";
import { words } from "../words";
import { verdictColour } from "./verdict";

type Cell = Api["Cell"];

interface LineProps {
  cells: Cell[];
  heads: Api["Head"][];
  className: string;
}

function Line({ cells, heads, className }: LineProps) {
  return (
    <tr className={className}>
      {cells.map((cell, i) => (
        <td
          key={heads[i]?.title}
          className={`py-1.5 pl-6 first:pl-0 ${heads[i]?.number ? "text-right" : "min-w-28 wrap-anywhere"} ${
            cell.verdict === "NEITHER" ? "" : verdictColour(cell.verdict)
          }`}
        >
          {cell.text}
        </td>
      ))}
    </tr>
  );
}

/** A report's table: thin rules, aligned figures, the sum under a stronger rule. */
export function TableBlock({ table }: { table: Api["Table"] }) {
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
            <Line key={i} cells={row} heads={table.heads} className="border-base-300 border-b" />
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
      {table.rows.length === 0 && <p className="text-quiet py-2">{words.noRows}</p>}
    </div>
  );
}
