import type { Api } from "../api/client";
import { words } from "../words";
import { Drawing } from "./Drawing";
import type { Behind } from "./rows";
import { verdictColour } from "./verdict";

type Figure = Api["Figure"];
type Drawings = Api["PageView"]["drawings"];

function Change({ said, figure }: { said: string; figure: Figure }) {
  return (
    <>
      {said}
      {figure.verdictWords && (
        <>
          , <span className={verdictColour(figure.verdict)}>{figure.verdictWords}</span>
        </>
      )}
    </>
  );
}

interface Props {
  figures: Figure[];
  drawings: Drawings;
  behind?: (what: Behind) => void;
}

/** What a figure is of; it leads to its rows where they are shown. */
function Name({ figure, behind }: { figure: Figure; behind: Props["behind"] }) {
  return behind ? (
    <button
      type="button"
      className="choose text-left"
      aria-label={words.rows.of(figure.title)}
      onClick={() => behind({ block: figure.id })}
    >
      {figure.title}
    </button>
  ) : (
    figure.title
  );
}

/** The first figure large, the others as a small ledger with their trends beside it. */
export function Figures({ figures, drawings, behind }: Props) {
  const [first, ...others] = figures;
  if (!first) return null;
  return (
    <div className="grid items-start gap-x-10 gap-y-4 @2xl:grid-cols-[minmax(14rem,1fr)_2fr]">
      <div>
        <p className="text-quiet">
          <Name figure={first} behind={behind} />
        </p>
        <p className="font-serif text-5xl leading-tight font-semibold">{first.value}</p>
        <p>
          <Change said={first.change} figure={first} />
        </p>
      </div>
      {others.length > 0 && (
        <table className="w-full max-w-2xl">
          <tbody>
            {others.map((figure) => (
              <tr key={figure.id} className="border-base-300 border-t first:border-t-0">
                <th scope="row" className="py-1.5 pr-6 text-left font-normal">
                  <Name figure={figure} behind={behind} />
                </th>
                <td className="hidden py-1.5 pr-6 @lg:table-cell">
                  <Drawing svg={drawings[figure.id]?.svg ?? ""} className="w-[120px]" />
                </td>
                <td className="py-1.5 text-right font-serif text-lg font-semibold whitespace-nowrap">
                  {figure.value}
                </td>
                <td className="text-quiet py-1.5 pl-6 text-right text-xs sm:whitespace-nowrap">
                  <Change said={figure.shortChange} figure={figure} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
