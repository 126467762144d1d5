import { Link } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Heads } from "../kit/Heads";
import { Loaded } from "../kit/Loaded";
import { Title } from "../kit/Title";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { usePublishable } from "./usePublishable";

type Line = Api["DataSetLine"];

/** The data sets that one minds: how fresh each is, and what its last load came to. */
export function DataSetsPage() {
  const dataSets = useRead<Line[]>("data-sets");
  const mayAdd = usePublishable().length > 0;
  return (
    <>
      <Title
        above={
          <Link className="choose" to="/library">
            {words.section.library}
          </Link>
        }
        title={words.data.title}
        line={words.data.line}
        actions={
          mayAdd && (
            <Link className="act" to="/data/new">
              {words.data.add}
            </Link>
          )
        }
      />
      <Loaded query={dataSets}>
        {(all) =>
          all.length === 0 ? (
            <p className="border-base-300 border-y py-6">{words.data.empty}</p>
          ) : (
            <table className="stacks" aria-label={words.data.title}>
              <Heads names={words.data.heads} />
              <tbody>
                {all.map((line) => (
                  <Row key={line.id} line={line} />
                ))}
              </tbody>
            </table>
          )
        }
      </Loaded>
    </>
  );
}

function Row({ line }: { line: Line }) {
  const { moment, day } = useWhen();
  const load = line.newestLoad;
  return (
    <tr className="border-base-300 border-t align-top">
      <td className="py-2 pr-6">
        <Link className="choose font-serif text-lg" to={`/data/${line.id}`}>
          {line.name}
        </Link>
        <span className="text-quiet block text-xs">{line.folderName}</span>
        {line.failure && <span className="text-error block text-sm">{words.data.failed(line.failure)}</span>}
      </td>
      <td className="py-2 pr-6 md:text-right">{load ? words.number(load.rows) : words.data.none}</td>
      <td className="py-2 pr-6">{load?.figuresTo ? day(load.figuresTo) : ""}</td>
      <td className="py-2 pr-6">{load ? moment(load.loadedAt) : ""}</td>
      <td className="py-2 pr-6">{line.ruled.length > 0 ? words.list(line.ruled) : words.data.allSee}</td>
      <td className="py-2">{words.data.reports(line.reports)}</td>
    </tr>
  );
}
