import type { Api } from "../api/client";
import { words } from "../words";
import { ROW } from "./window";

interface Props {
  /** Among all rows, from 0. */
  place: number;
  /** None while they are on their way. */
  cells?: Api["Cell"][];
  heads: Api["Head"][];
}

/** A row of the data, of one height with all others. */
export function RowLine({ place, cells, heads }: Props) {
  return (
    <tr
      aria-rowindex={place + 2}
      style={{ height: ROW }}
      className="shadow-[inset_0_-1px_var(--color-base-300)]"
    >
      {heads.map((head, i) => (
        <td
          key={head.title}
          title={cells?.[i]?.text}
          className={`max-w-72 truncate pl-6 whitespace-nowrap first:pl-0 ${head.number ? "text-right" : ""} ${
            cells?.[i]?.weight === "BEYOND" ? "font-semibold" : ""
          }`}
        >
          {cells ? cells[i]?.text : <span className="text-quiet">{i === 0 && words.rows.coming}</span>}
        </td>
      ))}
    </tr>
  );
}
