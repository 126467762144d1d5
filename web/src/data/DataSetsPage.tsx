import { Link } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { Title } from "../kit/Title";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { publishable, useFolders } from "./useFolders";

type Line = Api["DataSetLine"];

/** The data sets that one minds: how fresh each is, and what its last load came to. */
export function DataSetsPage() {
  const dataSets = useRead<Line[]>("data-sets");
  const mayAdd = publishable(useFolders().data?.folders ?? []).length > 0;
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
          <>
            <Link className="choose" to="/named">
              {words.named.title}
            </Link>
            {mayAdd && (
              <Link className="act" to="/data/new">
                {words.data.add}
              </Link>
            )}
          </>
        }
      />
      <Loaded query={dataSets}>
        {(all) =>
          all.length === 0 ? (
            <p className="border-base-300 border-y py-6">{words.data.empty(mayAdd)}</p>
          ) : (
            <ul className="border-base-content border-t">
              {all.map((line) => (
                <Entry key={line.id} line={line} />
              ))}
            </ul>
          )
        }
      </Loaded>
    </>
  );
}

function Entry({ line }: { line: Line }) {
  const { moment, day } = useWhen();
  const load = line.newestLoad;
  return (
    <li className="border-base-300 border-b py-4">
      <h2 className="text-xl">
        <Link to={`/data/${line.id}`}>{line.name}</Link>{" "}
        <span className="text-quiet font-sans text-xs font-normal">{line.folderName}</span>
      </h2>
      {line.failure && <p className="text-error">{words.data.lastLoad(line.failure)}</p>}
      <p>
        {load
          ? words.data.fresh(load.rows, load.figuresTo ? day(load.figuresTo) : "", moment(load.loadedAt))
          : words.data.notLoaded}
      </p>
      <p className="text-quiet text-sm">
        {words.data.reports(line.reports)} · {words.data.ruledBy(line.ruled)}
      </p>
    </li>
  );
}
