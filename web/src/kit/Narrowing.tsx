import { useState } from "react";
import type { Api } from "../api/client";
import { words } from "../words";
import type { Cut, Filter } from "./cut";
import { AnswerEditor } from "./AnswerEditor";
import { FilterEditor } from "./FilterEditor";
import { newSlot, slots, withFilter, type Slot } from "./narrowing";
import { PartOf } from "./PartOf";
import { answerOf, isOpen, type Question } from "./questions";

interface PartsProps {
  view: Api["ReaderView"];
  filters: Filter[];
  open: string | null;
  toggle: (key: string) => void;
}

/** The part of the sentence by which any other column is narrowed. */
const FURTHER = "further";

/** What columns are narrowed to, or not, as parts of a sentence. */
export function NarrowingParts({ view, filters, open, toggle }: PartsProps) {
  return (
    <>
      {slots(view.narrowable, filters).map((slot, i) => (
        <span key={slot.key}>
          {i > 0 && ", "}
          <PartOf open={open === slot.key} toggle={() => toggle(slot.key)}>
            {said(slot, view.measures)}
          </PartOf>
        </span>
      ))}
      {typed(view).map((question) => (
        <span key={question.name}>
          {", "}
          <PartOf
            open={open === keyOf(question)}
            toggle={() => toggle(keyOf(question))}
            className={isOpen(question, view.questions, filters) ? "text-late" : ""}
          >
            {words.questions.said(question.ask, answerOf(question, filters))}
          </PartOf>
        </span>
      ))}
      {view.narrowable.length > 0 && (
        <span className="print:hidden">
          {slots(view.narrowable, filters).length > 0 && ", "}
          <PartOf open={open === FURTHER} toggle={() => toggle(FURTHER)} className="text-quiet">
            {words.filter.further}
          </PartOf>
        </span>
      )}
    </>
  );
}

/** Questions that are not answered by narrowing a column. */
const typed = (view: Api["ReaderView"]) => view.questions.filter(({ kind }) => kind !== "COLUMN");

const keyOf = (question: Question) => `answer:${question.name}`;

const said = ({ column, filter }: Slot, measures: Api["MeasureName"][]) =>
  filter ? words.filter.said(filter, column.title, measures) : words.filter.every(column.title);

interface EditorProps {
  view: Api["ReaderView"];
  /** What the page is cut to: what a column offers depends on it. */
  cut: Cut;
  open: string | null;
  show: (key: string) => void;
  change: (filters: Filter[]) => void;
}

/** The editor of the part that is open. */
export function NarrowingEditor({ view, cut, open, show, change }: EditorProps) {
  const [further, setFurther] = useState<string | null>(null);
  const column = view.narrowable.find((each) => open === FURTHER && each.column === further);
  const slot = column
    ? newSlot(column, cut.filters)
    : slots(view.narrowable, cut.filters).find((each) => each.key === open);
  const set = (filter: Filter | null) => {
    if (!slot) return;
    change(withFilter(cut.filters, slot.filter, filter));
    if (filter) show(slot.key);
    else if (!slot.column.first) show(FURTHER);
    setFurther(null);
  };
  const question = typed(view).find((each) => keyOf(each) === open);
  if (question) {
    return (
      <AnswerEditor
        key={question.name}
        question={question}
        all={view.questions}
        filters={cut.filters}
        change={change}
      />
    );
  }
  return (
    <>
      {open === FURTHER && (
        <ul aria-label={words.filter.columns} className="flex flex-wrap gap-x-6 gap-y-1 pb-3 text-sm">
          {view.narrowable.map((each) => (
            <li key={each.column}>
              <button
                type="button"
                aria-pressed={further === each.column}
                className={further === each.column ? "current" : "choose"}
                onClick={() => setFurther(each.column)}
              >
                {each.title}
              </button>
            </li>
          ))}
        </ul>
      )}
      {slot && (
        <FilterEditor
          key={slot.key}
          report={view.report}
          slot={slot}
          measures={view.measures}
          cut={cut}
          change={set}
        />
      )}
    </>
  );
}
