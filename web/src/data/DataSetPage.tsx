import { Link, useParams } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { SetAside } from "../kit/SetAside";
import { Title } from "../kit/Title";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { Coming } from "./Coming";
import { Loads } from "./Loads";
import { Personal } from "./Personal";
import { PlaceForm } from "./PlaceForm";
import { RowRules } from "./RowRules";
import { Sight } from "./Sight";

type View = Api["DataSetView"];

/** One data set: its columns, loads and reports, who sees which rows, and loading it anew. */
export function DataSetPage() {
  const { id = "" } = useParams();
  const dataSet = useRead<View>(`data-sets/${id}`);
  return <Loaded query={dataSet}>{(view) => <Shown key={view.line.id} view={view} />}</Loaded>;
}

function Shown({ view }: { view: View }) {
  const { moment, day } = useWhen();
  const load = view.line.newestLoad;
  return (
    <>
      <Title
        above={
          <Link className="choose" to="/data">
            {words.data.title}
          </Link>
        }
        title={view.line.name}
        line={
          load
            ? words.data.fresh(load.rows, load.figuresTo ? day(load.figuresTo) : "", moment(load.loadedAt))
            : words.data.notLoaded
        }
      />
      {view.line.failure && (
        <p role="alert" className="border-error mb-4 border-l-2 py-1 pl-3">
          <span className="text-error font-semibold">{view.line.failure}</span>{" "}
          {load ? words.data.stillInUse : ""}
        </p>
      )}
      {view.line.ahead && load?.figuresTo && (
        <p role="alert" className="border-late text-late mb-4 border-l-2 py-1 pl-3">
          {words.data.ahead(day(load.figuresTo))}
        </p>
      )}
      <SetAside of={(item) => item.kind === "LOAD" && item.unit === view.line.id} />
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[1fr_360px]">
        <div className="min-w-0 space-y-8">
          <RowRules view={view} />
          <Personal view={view} />
          <Loads view={view} />
          {view.mayChange && (
            <section aria-label={words.data.place}>
              <h2 className="border-base-content border-b pb-2 text-lg">{words.data.place}</h2>
              <PlaceForm line={view.line} />
            </section>
          )}
        </div>
        <aside className="space-y-8">
          <Coming view={view} />
          {view.rules.length > 0 && load && <Sight view={view} />}
          <Facts view={view} />
        </aside>
      </div>
    </>
  );
}

function Facts({ view }: { view: View }) {
  return (
    <section aria-label={words.data.columns}>
      <h2 className="border-base-content border-b pb-2 text-lg">{words.data.columns}</h2>
      <ul className="py-2">
        {view.columns.map((column) => (
          <li key={column.name} className="flex items-baseline gap-1.5 py-0.5">
            {column.name}
            <span aria-hidden className="border-quiet grow border-b border-dotted" />
            <span className="text-quiet text-sm">
              {words.data.typed(column, column.name === view.dateColumn)}
            </span>
          </li>
        ))}
      </ul>
      <p className="text-quiet text-sm">{words.data.belongs(view.owner, view.line.folderName)}</p>
      <p className="pt-2 text-sm">
        {view.usedBy.length === 0 ? words.data.unused : words.data.usedBy}{" "}
        {view.usedBy.map((report, i) => (
          <span key={report.id}>
            {i > 0 && ", "}
            <Link className="choose" to={`/reports/${report.id}`}>
              {report.title}
            </Link>
          </span>
        ))}
        {view.mayChange && view.dateColumn && (
          <Link
            className="choose ml-2"
            to={`/reports/new?folder=${view.line.folder}&data=${encodeURIComponent(view.line.name)}`}
          >
            {view.usedBy.length === 0 ? words.editor.write : words.editor.writeAnother}
          </Link>
        )}
      </p>
    </section>
  );
}
