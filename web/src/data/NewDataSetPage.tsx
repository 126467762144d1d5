import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field, OneOf } from "../kit/Field";
import { Loaded } from "../kit/Loaded";
import { Pick } from "../kit/Pick";
import { Title } from "../kit/Title";
import { words } from "../words";
import { DropFile } from "./DropFile";
import { FirstRows } from "./FirstRows";
import { TypeOf, type Column } from "./TypeOf";
import { publishable, useFolders } from "./useFolders";

type Inspection = Api["InspectionView"];
type DateForm = Inspection["columns"][number]["dateForms"][number];

/** A new data set from a CSV file: what is in it is shown as it would be kept, before anything is. */
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
      <Loaded query={library}>{(view) => <FromFile folders={publishable(view.folders)} />}</Loaded>
    </>
  );
}

/** The folder and the file. */
function FromFile({ folders }: { folders: Api["FolderView"][] }) {
  const [chosen, setChosen] = useState("");
  const [file, setFile] = useState<File | null>(null);
  const folder = chosen || String(folders[0]?.id ?? "");
  if (folders.length === 0) return <p className="border-base-300 border-y py-6">{words.data.nowhere}</p>;
  return (
    <>
      <div className="max-w-3xl space-y-5 pb-6">
        <Pick
          label={words.data.folder}
          none={words.data.noFolder}
          all={folders}
          value={folder}
          pick={setChosen}
        />
        <DropFile label={words.data.drop} file={file} take={setFile} />
      </div>
      {file && <Columns key={`${file.name} ${file.size} ${file.lastModified}`} file={file} folder={folder} />}
    </>
  );
}

function inspect(file: File, folder: string, columns: Column[] | null, dates: DateForm | null) {
  const query = new URLSearchParams({ folder });
  if (columns) query.set("columns", JSON.stringify(columns));
  if (dates) query.set("dates", dates);
  return call<Inspection>(`data-sets/inspections?${query}`, { method: "POST", file });
}

/** Its columns with their types, and the first rows by those. */
function Columns({ file, folder }: { file: File; folder: string }) {
  const [types, setTypes] = useState<Column[] | null>(null);
  const [dates, setDates] = useState<DateForm | null>(null);
  const seen = useQuery({
    queryKey: ["inspection", file.name, file.lastModified, folder, types, dates],
    queryFn: () => inspect(file, folder, types, dates),
    placeholderData: keepPreviousData,
    retry: false,
  });
  if (!seen.data) return <Fault error={seen.error} />;
  const found = seen.data;
  const columns = types ?? found.columns.map((each) => each.column);
  const ambiguous = found.columns.filter(
    (each, i) => each.dateForms.length > 1 && columns[i]?.type === "DATE",
  );
  return (
    <>
      <Fault error={seen.error} />
      <p className="text-quiet pb-3">
        {words.data.seen(
          found.rowsSeen,
          found.charset,
          words.data.separators[found.separator] ?? found.separator,
        )}
      </p>
      {ambiguous.length > 0 && (
        <fieldset className="border-late mb-4 flex flex-wrap gap-x-6 border-l-2 pl-3">
          <legend className="text-late">
            {words.data.ambiguous(ambiguous.map((each) => each.column.name))}
          </legend>
          {ambiguous[0]?.dateForms.map((form) => (
            <OneOf
              key={form}
              name="dates"
              label={words.data.dateForms[form]}
              checked={dates === form}
              choose={() => setDates(form)}
            />
          ))}
        </fieldset>
      )}
      <FirstRows
        rows={found.firstRows}
        isNumber={columns.map((column) => column.type === "NUMBER")}
        heads={columns.map((column, i) => (
          <TypeOf
            key={column.name}
            column={column}
            empty={found.columns[i]?.empty ?? 0}
            change={(next) => setTypes(columns.map((each, at) => (at === i ? next : each)))}
          />
        ))}
      />
      <Keep
        file={file}
        folder={folder}
        columns={columns}
        dates={dates}
        undecided={ambiguous.length > 0 && dates === null}
      />
    </>
  );
}

interface KeepProps {
  file: File;
  folder: string;
  columns: Column[];
  dates: DateForm | null;
  /** Days can be read in two ways, and nobody has said which is meant. */
  undecided: boolean;
}

/** Its name and its day, and keeping it. */
function Keep({ file, folder, columns, dates, undecided }: KeepProps) {
  const navigate = useNavigate();
  const days = columns.filter((column) => column.type === "DATE").map((column) => column.name);
  const [name, setName] = useState(file.name.replace(/\.[^.]*$/, ""));
  const [day, setDay] = useState<string | null>(null);
  const dateColumn = day !== null && (day === "" || days.includes(day)) ? day : (days[0] ?? "");
  const keep = useChange(async () => {
    const body = { folder: Number(folder), name, columns, dateColumn: dateColumn || null };
    const { id } = await call<Api["DataSetLine"]>("data-sets", { method: "POST", body });
    // a load that fails is told on its page, where it can be made again
    await call(`data-sets/${id}/loads${dates ? `?dates=${dates}` : ""}`, { method: "POST", file }).catch(
      () => null,
    );
    return id;
  });
  return (
    <form
      aria-label={words.data.keep}
      className="border-base-content mt-4 flex flex-wrap items-end gap-4 border-t py-4"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(undefined, { onSuccess: (id) => void navigate(`/data/${id}`) });
      }}
    >
      <Field
        label={words.data.name}
        required
        maxLength={120}
        value={name}
        onChange={(event) => setName(event.target.value)}
        className="w-64"
      />
      <label className="block w-64">
        <span className="head">{words.data.day}</span>
        <select className="fill" value={dateColumn} onChange={(event) => setDay(event.target.value)}>
          {days.map((each) => (
            <option key={each}>{each}</option>
          ))}
          <option value="">{words.data.noDay}</option>
        </select>
      </label>
      <button type="submit" className="act" disabled={keep.isPending || undecided}>
        {words.data.keep}
      </button>
      {undecided && <p className="text-late">{words.data.sayDays}</p>}
      <div className="basis-full">
        <Fault error={keep.error} />
      </div>
    </form>
  );
}
