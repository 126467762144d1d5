import { useState } from "react";
import type { Api } from "../api/client";
import { words } from "../words";
import { Bounds, Containing, Most } from "./FilterFields";
import { FilterValues } from "./FilterValues";
import type { Cut, Filter } from "./cut";
import { NamedChoices } from "./NamedChoices";
import { testsOf, type Slot } from "./narrowing";
import { useValues } from "./useValues";

interface Props {
  report: number;
  slot: Slot;
  measures: Api["MeasureName"][];
  cut: Cut;
  change: (filter: Filter | null) => void;
}

/** Narrows to rows by one column: how its values are held against something, and against what. */
export function FilterEditor({ report, slot, measures, cut, change }: Props) {
  const { column, filter } = slot;
  const tests = testsOf(column, measures.length > 0);
  const [test, setTest] = useState<Filter["test"]>(filter?.test ?? tests[0] ?? "ANY_OF");
  const picks = test === "ANY_OF" || test === "NONE_OF";
  const occur = useValues(report, column.column, cut, "", picks).data;
  const values = filter?.test === test ? filter.values : [];
  const set = (next: string[]) => change({ column: column.column, test, values: next });
  const choose = (next: Filter["test"]) => {
    setTest(next);
    if (next === "EMPTY" || next === "FILLED") change({ column: column.column, test: next, values: [] });
  };
  return (
    <fieldset className="text-sm">
      <legend className="flex flex-wrap gap-x-6 gap-y-1 pb-2">
        <span className="font-semibold">{column.title}</span>
        {tests.map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={each === test}
            className={each === test ? "current" : "choose"}
            onClick={() => choose(each)}
          >
            {words.filter.tests[each]}
          </button>
        ))}
        <button type="button" className="choose" disabled={!filter} onClick={() => change(null)}>
          {words.filter.all(column.title)}
        </button>
      </legend>
      {picks && (
        <FilterValues
          report={report}
          column={column}
          cut={cut}
          chosen={values}
          change={(next) => (next.length === 0 ? change(null) : set(next))}
        />
      )}
      {test === "CONTAINS" && <Containing title={column.title} value={values[0] ?? ""} set={set} />}
      {test === "BETWEEN" && <Bounds report={report} column={column} cut={cut} values={values} set={set} />}
      <NamedChoices
        type={column.type}
        test={test}
        values={values}
        occurring={picks && occur?.others === 0 ? occur.values.map((each) => each.value) : undefined}
        set={set}
      />
      {test === "TOP" && <Most title={column.title} measures={measures} values={values} set={set} />}
    </fieldset>
  );
}
