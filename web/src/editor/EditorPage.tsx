import { Link, useParams, useSearchParams } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Loaded } from "../kit/Loaded";
import { Pick } from "../kit/Pick";
import { Title } from "../kit/Title";
import { words } from "../words";
import { begin } from "./begin";
import { Writing } from "./Writing";
import type { MadeOf } from "./completion";

/** Writing a report: the text at one side, the page as it will be at the other. */
export default function EditorPage() {
  const { id } = useParams();
  return id ? <Existing key={id} id={id} /> : <Anew />;
}

function Existing({ id }: { id: string }) {
  const definition = useRead<Api["DefinitionView"]>(`reports/${id}/definition`);
  return <Loaded query={definition}>{(view) => <Writing id={id} view={view} folder={view.folder} />}</Loaded>;
}

/** The folder and the data set come first; they make the text that it begins with. */
function Anew() {
  const library = useRead<Api["LibraryView"]>("library?words=");
  const [search, setSearch] = useSearchParams();
  const folders = library.data?.folders.filter((folder) => folder.mayPublish) ?? [];
  const folder = Number(search.get("folder") ?? folders[0]?.id ?? 0);
  const madeOf = useRead<MadeOf>(`reports/data-sets?folder=${folder}`, { when: folder > 0 });
  const dataSet = search.get("data") ?? "";
  const chosen = madeOf.data?.find((each) => each.name === dataSet);
  if (chosen) {
    const of = (type: string) =>
      chosen.columns.filter((column) => column.type === type).map((column) => column.name);
    return <Writing key={dataSet} begin={begin(chosen.name, of("NUMBER"), of("TEXT"))} folder={folder} />;
  }
  const sets = (madeOf.data ?? []).map((each, i) => ({ id: i + 1, name: each.name }));
  return (
    <>
      <Title
        above={
          <Link className="choose" to="/library">
            {words.section.library}
          </Link>
        }
        title={words.editor.anew}
        line={words.editor.anewLine}
      />
      <Fault error={madeOf.error} />
      <Loaded query={library}>
        {() => (
          <div className="flex flex-wrap gap-4">
            <Pick
              label={words.data.folder}
              none={words.data.noFolder}
              all={folders}
              value={String(folder || "")}
              pick={(next) => setSearch(next ? { folder: next } : {})}
            />
            <Pick
              label={words.editor.dataSet}
              none={words.editor.noDataSet}
              all={sets}
              value=""
              pick={(next) => setSearch({ folder: String(folder), data: sets[Number(next) - 1]?.name ?? "" })}
            />
          </div>
        )}
      </Loaded>
      {madeOf.data?.length === 0 && (
        <p className="text-late pt-4">
          {words.editor.noData}{" "}
          <Link className="choose" to="/data/new">
            {words.data.add}
          </Link>
        </p>
      )}
    </>
  );
}
