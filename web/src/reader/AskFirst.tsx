import type { Api } from "../api/client";
import { AnswerEditor } from "../kit/AnswerEditor";
import type { Cut, Filter } from "../kit/cut";
import { FilterEditor } from "../kit/FilterEditor";
import { slots, withFilter } from "../kit/narrowing";
import { before, isOpen, type Question } from "../kit/questions";
import { words } from "../words";

interface Props {
  view: Api["ReaderView"];
  cut: Cut;
  change: (filters: Filter[]) => void;
}

/** What the report asks before it shows anything: all of it, as one answer may decide on another; then it shows itself. */
export function AskFirst({ view, cut, change }: Props) {
  const open = view.questions.filter((question) => isOpen(question, view.questions, cut.filters));
  return (
    <section aria-labelledby="ask-first" className="border-base-content bg-leaf mt-4 border p-5">
      <h2 id="ask-first">{words.questions.title(open.length)}</h2>
      <p className="text-quiet">{words.questions.line}</p>
      <ol>
        {view.questions.map((question) => (
          <li key={question.name} className="border-base-300 border-t py-4 not-first:mt-4 first:mt-4">
            {(question.kind === "COLUMN" || question.kind === "CHOICE") && (
              <p className="pb-2 font-serif text-lg font-semibold">{question.ask}</p>
            )}
            <Answer question={question} view={view} cut={cut} change={change} />
          </li>
        ))}
      </ol>
    </section>
  );
}

function Answer({ question, view, cut, change }: Props & { question: Question }) {
  const all = view.questions;
  if (question.kind !== "COLUMN") {
    return <AnswerEditor question={question} all={all} filters={cut.filters} change={change} />;
  }
  const first = before(question, all, cut.filters);
  const slot = slots(view.narrowable, cut.filters).find(({ column }) => column.column === question.name);
  if (first) return <p className="text-quiet">{words.questions.first(first.ask)}</p>;
  if (!slot) return null;
  return (
    <FilterEditor
      report={view.report}
      slot={slot}
      measures={view.measures}
      cut={cut}
      change={(filter) => change(withFilter(cut.filters, slot.filter, filter))}
    />
  );
}
