import type { Api } from "../api/client";
import { Drawing } from "./Drawing";
import { verdictColour } from "./verdict";

type Figure = Api["Figure"];
type Drawings = Api["PageView"]["drawings"];

function Change({ words, figure }: { words: string; figure: Figure }) {
  return (
    <>
      {words}
      {figure.verdictWords && (
        <>
          , <span className={verdictColour(figure.verdict)}>{figure.verdictWords}</span>
        </>
      )}
    </>
  );
}

/** The first figure large, the others as a small ledger with their trends beside it. */
export function Figures({ figures, drawings }: { figures: Figure[]; drawings: Drawings }) {
  const [first, ...others] = figures;
  if (!first) return null;
  return (
    <div className="grid items-start gap-x-10 gap-y-4 @2xl:grid-cols-[minmax(14rem,1fr)_2fr]">
      <div>
        <p className="text-quiet">{first.title}</p>
        <p className="font-serif text-5xl leading-tight font-semibold">{first.value}</p>
        <p>
          <Change words={first.change} figure={first} />
        </p>
      </div>
      {others.length > 0 && (
        <table className="w-full max-w-2xl">
          <tbody>
            {others.map((figure) => (
              <tr key={figure.id} className="border-base-300 border-t first:border-t-0">
                <th scope="row" className="py-1.5 pr-6 text-left font-normal">
                  {figure.title}
                </th>
                <td className="hidden py-1.5 pr-6 @lg:table-cell">
                  <Drawing svg={drawings[figure.id]?.svg ?? ""} className="w-[120px]" />
                </td>
                <td className="py-1.5 text-right font-serif text-lg font-semibold whitespace-nowrap">
                  {figure.value}
                </td>
                <td className="text-quiet py-1.5 pl-6 text-right text-xs sm:whitespace-nowrap">
                  <Change words={figure.shortChange} figure={figure} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
