import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field, OneOf } from "../kit/Field";
import { words } from "../words";
import { FirstRows } from "./FirstRows";
import { TimesFields } from "./TimesFields";
import { TypeOf } from "./TypeOf";
import type { Column, DateForm, Rows } from "./rows";

/** Its columns with their types, and the first rows by those. */
export function RowsLookedAt({ rows, folder }: { rows: Rows; folder: string }) {
  const [types, setTypes] = useState<Column[] | null>(null);
  const [dates, setDates] = useState<DateForm | null>(null);
  const seen = useQuery({
    queryKey: ["sample", rows.key, folder, types, dates],
    queryFn: () => rows.look(types, dates),
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
        rows={rows}
        folder={folder}
        columns={columns}
        dates={dates}
        undecided={ambiguous.length > 0 && dates === null}
      />
    </>
  );
}

/** Whether rows can be sorted by it. */
const hasDays = ({ type }: Column) => type === "DATE" || type === "TIME";

interface KeepProps {
  rows: Rows;
  folder: string;
  columns: Column[];
  dates: DateForm | null;
  /** Days can be read in two ways, and nobody has said which is meant. */
  undecided: boolean;
}

/** Its name and its day, and keeping it. */
function Keep({ rows, folder, columns, dates, undecided }: KeepProps) {
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
      plan: plan && { ...plan, dates },
    };
    const { id } = await call<Api["DataSetLine"]>("data-sets", { method: "POST", body });
    // a load that fails is told on its page, where it can be made again
    await rows.load(id, dates).catch(() => null);
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
