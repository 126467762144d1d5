import { useState } from "react";
import { Link } from "react-router";
import { call, type Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { Pick } from "../kit/Pick";
import { Title } from "../kit/Title";
import { words } from "../words";
import { DropFile } from "./DropFile";
import { KindOfOrigin, OriginFields } from "./OriginFields";
import { RowsLookedAt } from "./RowsLookedAt";
import { meantIn, SENT, type Plan, type Rows, type Sample } from "./rows";
import { publishable, useFolders } from "./useFolders";

/** A new data set from a file, a watched folder or a query: its rows are shown as they would be kept, before they are. */
export function NewDataSetPage() {
  const library = useFolders();
  return (
    <>
      <Title
        above={
          <Link className="choose" to="/data">
            {words.data.title}
          </Link>
        }
        title={words.data.add}
        line={words.data.addLine}
      />
      <Loaded query={library}>{(view) => <Where folders={publishable(view.folders)} />}</Loaded>
    </>
  );
}

/** The folder that it belongs to, and where its rows come from. */
function Where({ folders }: { folders: Api["FolderView"][] }) {
  const sources = useRead<Api["SourceView"][]>("sources");
  const [chosen, setChosen] = useState("");
  const [kind, setKind] = useState<Plan["origin"]["kind"]>("SENT");
  const folder = chosen || String(folders[0]?.id ?? "");
  if (folders.length === 0) return <p className="border-base-300 border-y py-6">{words.data.nowhere}</p>;
  return (
    <>
      <div className="max-w-3xl space-y-5 pb-5">
        <Pick
          label={words.data.folder}
          none={words.data.noFolder}
          all={folders}
          value={folder}
          pick={setChosen}
        />
        <KindOfOrigin kind={kind} choose={setKind} />
      </div>
      {kind === "SENT" ? (
        <FromFile folder={folder} />
      ) : (
        <FromSource key={kind} kind={kind} folder={folder} sources={sources.data ?? []} />
      )}
    </>
  );
}

function FromFile({ folder }: { folder: string }) {
  const [file, setFile] = useState<File | null>(null);
  return (
    <>
      <div className="max-w-3xl pb-6">
        <DropFile label={words.data.drop} file={file} take={setFile} />
      </div>
      {file && <RowsLookedAt key={keyOf(file)} folder={folder} rows={ofFile(file, folder)} />}
    </>
  );
}

/** In bytes: the beginning of a file says how it is written. */
const LOOKED_AT = 1 << 20;

const keyOf = (file: File) => `${file.name} ${file.size} ${file.lastModified}`;

function ofFile(file: File, folder: string): Rows {
  return {
    key: keyOf(file),
    name: file.name.replace(/\.[^.]*$/, ""),
    plan: null,
    look: (columns, meant) => {
      const query = new URLSearchParams({ folder, ...meantIn(meant) });
      if (columns) query.set("columns", JSON.stringify(columns));
      return call<Sample>(`data-sets/inspections?${query}`, {
        method: "POST",
        file: file.slice(0, LOOKED_AT),
      });
    },
    load: (id, meant) =>
      call(`data-sets/${id}/loads?${new URLSearchParams(meantIn(meant))}`, { method: "POST", file }),
  };
}

interface FromSourceProps {
  kind: "FOLDER" | "QUERY";
  folder: string;
  sources: Api["SourceView"][];
}

/** What a source is asked for; its rows are looked at when somebody says so, as it may take a while. */
function FromSource({ kind, folder, sources }: FromSourceProps) {
  const [origin, setOrigin] = useState<Plan["origin"]>({ kind, source: null, ask: "" });
  const [looked, setLooked] = useState<{ origin: Plan["origin"]; time: number } | null>(null);
  return (
    <>
      <form
        className="max-w-3xl space-y-4 pb-6"
        onSubmit={(event) => {
          event.preventDefault();
          setLooked({ origin, time: (looked?.time ?? 0) + 1 });
        }}
      >
        <OriginFields origin={origin} sources={sources} change={setOrigin} />
        <button type="submit" className="act-plain" disabled={origin.source === null || origin.ask === ""}>
          {words.data.look}
        </button>
      </form>
      {looked && (
        <RowsLookedAt
          key={looked.time}
          folder={folder}
          rows={ofSource(looked.origin, looked.time, folder, nameOf(sources, looked.origin))}
        />
      )}
    </>
  );
}

const nameOf = (sources: Api["SourceView"][], origin: Plan["origin"]) =>
  sources.find((source) => source.id === origin.source)?.name ?? "";

function ofSource(origin: Plan["origin"], time: number, folder: string, name: string): Rows {
  return {
    key: JSON.stringify([time, origin]),
    name: origin.kind === "FOLDER" ? origin.ask.replace(/\.[^.]*$|[*?]/g, "").replace(/[-_ ]+$/, "") : name,
    plan: { ...SENT, origin },
    look: (columns, meant) =>
      call<Sample>("data-sets/samples", {
        method: "POST",
        body: { folder: Number(folder), origin, columns, ...meant },
      }),
    load: (id) => call(`data-sets/${id}/loads/now`, { method: "POST" }),
  };
}
