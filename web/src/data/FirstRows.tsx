import type { ReactNode } from "react";
import type { Api } from "../api/client";
import { words } from "../words";

interface Props {
  heads: ReactNode[];
  /** What the columns are called. */
  names: string[];
  /** Which columns are of numbers, by position. */
  isNumber: boolean[];
  rows: Api["TypedValue"][][];
}

/** The first rows as they would be kept; what does not fit its column stands out, and is counted. */
export function FirstRows({ heads, names, isNumber, rows }: Props) {
  const misfits = names.flatMap((name, i) => {
    const lines = rows.flatMap((row, at) => (row[i]?.fits === false ? [{ at, text: row[i].text }] : []));
    const first = lines[0];
    return first ? [words.data.misfitsOf(name, lines.length, first.text, first.at + 1)] : [];
  });
  return (
    <section aria-label={words.data.firstRows}>
      {misfits.length > 0 && (
        <div role="status">
          <ul className="text-error pb-2">
            {misfits.map((said) => (
              <li key={said}>{said}</li>
            ))}
          </ul>
        </div>
      )}
      <div
        className="border-base-content relative max-h-[46vh] overflow-auto border-y"
        tabIndex={0}
        role="group"
        aria-label={words.data.firstRows}
      >
        <table className="w-full text-sm">
          <thead className="bg-base-100 sticky top-0">
            <tr>
              {heads.map((head, i) => (
                <th
                  key={i}
                  scope="col"
                  className={`border-base-content border-b py-2 pr-5 align-top ${isNumber[i] ? "text-right" : "text-left"}`}
                >
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, at) => (
              <tr key={at} className="border-base-300 border-t">
                {row.map((cell, i) => (
                  <td
                    key={i}
                    className={`py-1 pr-5 whitespace-nowrap ${isNumber[i] ? "text-right" : ""} ${
                      cell.fits ? "" : "text-error line-through"
                    }`}
                  >
                    {cell.text}
                    {!cell.fits && <span className="sr-only"> {words.data.misfit}</span>}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
