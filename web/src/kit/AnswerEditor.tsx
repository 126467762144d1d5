import { useState } from "react";
import { words } from "../words";
import type { Filter } from "./cut";
import { Field } from "./Field";
import { answered, answerOf, before, choicesOf, type Question } from "./questions";

interface Props {
  question: Question;
  all: Question[];
  filters: Filter[];
  change: (filters: Filter[]) => void;
}

/** Answers one question: one of some texts, a number, or a day. */
export function AnswerEditor({ question, all, filters, change }: Props) {
  const answer = answerOf(question, filters);
  const [text, setText] = useState(answer);
  const first = before(question, all, filters);
  const set = (value: string) => change(answered(filters, question, value));
  if (question.kind === "CHOICE") {
    if (first) return <p className="text-quiet">{words.questions.first(first.ask)}</p>;
    return (
      <div role="group" aria-label={question.ask} className="flex flex-wrap gap-x-6 gap-y-1">
        {choicesOf(question, all, filters).map((choice) => (
          <button
            key={choice}
            type="button"
            aria-pressed={choice === answer}
            className={choice === answer ? "current" : "choose"}
            onClick={() => set(choice)}
          >
            {choice}
          </button>
        ))}
      </div>
    );
  }
  const input =
    question.kind === "DAY"
      ? { type: "date" }
      : { type: "number", step: "any", min: question.from ?? undefined, max: question.to ?? undefined };
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        set(text);
      }}
    >
      <Field
        {...input}
        label={question.ask}
        required
        value={text}
        onChange={(event) => setText(event.target.value)}
        className="w-44"
      />
      <button type="submit" className="choose pb-1">
        {words.questions.answer}
      </button>
    </form>
  );
}
