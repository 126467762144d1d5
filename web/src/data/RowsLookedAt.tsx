import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field } from "../kit/Field";
import { words } from "../words";
import { FirstRows } from "./FirstRows";
import { TimesFields } from "./TimesFields";
import { TypeOf } from "./TypeOf";
import { WhichIsMeant } from "./WhichIsMeant";
import { NOTHING_MEANT, type Column, type Meant, type Rows } from "./rows";

/** Its columns with their types, and the first rows by those. */
export function RowsLookedAt({ rows, folder }: { rows: Rows; folder: string }) {
  const [types, setTypes] = useState<Column[] | null>(null);
  const [meant, setMeant] = useState<Meant>(NOTHING_MEANT);
  const seen = useQuery({
    queryKey: ["sample", rows.key, folder, types, meant],
    queryFn: () => rows.look(types, meant),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
    retry: false,
  });
  if (seen.isError && !seen.data) return <Fault error={seen.error} again={() => void seen.refetch()} />;
  if (!seen.data) return <p role="status">{words.data.looking}</p>;
  const found = seen.data;
  const columns = types ?? found.columns.map((each) => each.column);
  const ambiguous = found.columns.filter(
    (each, i) => each.dateForms.length > 1 && columns[i] && hasDays(columns[i]),
  );
  const marks = found.file?.marks ?? [];
  const undecided =
    (ambiguous.length > 0 && meant.dates === null) || (marks.length > 1 && meant.decimalMark === null);
  return (
    <>
      <Fault error={seen.error} />
      <p className="text-quiet pb-3">
        {words.data.seen(found.rowsSeen)}
        {found.file &&
          words.data.written(
            found.file.name,
            found.file.charset,
            words.data.separators[found.file.separator] ?? found.file.separator,
          )}
      </p>
      {ambiguous.length > 0 && (
        <WhichIsMeant
          name="dates"
          asks={words.data.ambiguous(ambiguous.map((each) => each.column.name))}
          ways={ambiguous[0]?.dateForms ?? []}
          says={words.data.dateForms}
          chosen={meant.dates}
          choose={(dates) => setMeant({ ...meant, dates })}
        />
      )}
      {marks.length > 1 && (
        <WhichIsMeant
          name="decimalMark"
          asks={words.data.ambiguousNumbers}
          ways={marks}
          says={words.data.decimalMarks}
          chosen={meant.decimalMark}
          choose={(decimalMark) => {
            setMeant({ ...meant, decimalMark });
            setTypes(null);
          }}
        />
      )}
      <FirstRows
        rows={found.firstRows}
        names={columns.map((column) => column.name)}
        isNumber={columns.map((column) => column.type === "NUMBER")}
        heads={columns.map((column, i) => (
          <TypeOf
            key={column.name}
            column={column}
            empty={found.columns[i]?.empty ?? 0}
            unit={found.columns[i]?.unit ?? ""}
            change={(next) => setTypes(columns.map((each, at) => (at === i ? next : each)))}
          />
        ))}
      />
      <Keep rows={rows} folder={folder} columns={columns} meant={meant} undecided={undecided} />
    </>
  );
}

/** Whether rows can be sorted by it. */
const hasDays = ({ type }: Column) => type === "DATE" || type === "TIME";

interface KeepProps {
  rows: Rows;
  folder: string;
  columns: Column[];
  meant: Meant;
  /** Some values can be read in two ways, and nobody has said which is meant. */
  undecided: boolean;
}

/** Its name and its day, and keeping it. */
function Keep({ rows, folder, columns, meant, undecided }: KeepProps) {
  const navigate = useNavigate();
  const days = columns.filter(hasDays).map((column) => column.name);
  const [name, setName] = useState(rows.name);
  const [day, setDay] = useState<string | null>(null);
  const dateColumn = day !== null && (day === "" || days.includes(day)) ? day : (days[0] ?? "");
  const [plan, setPlan] = useState(rows.plan);
  const keep = useChange(async () => {
    const body = {
      folder: Number(folder),
      name,
      columns,
      dateColumn: dateColumn || null,
      plan: plan && { ...plan, ...meant },
    };
    const { id } = await call<Api["DataSetLine"]>("data-sets", { method: "POST", body });
    // a load that fails is told on its page, where it can be made again
    await rows.load(id, meant).catch(() => null);
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
      {plan && (
        <div className="basis-full space-y-4">
          <TimesFields plan={plan} change={setPlan} />
        </div>
      )}
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
