import type { Api } from "../api/client";
import type { Filter } from "./cut";

export type Question = Api["QuestionView"];

const saidOf = (question: Question, filters: Filter[]) =>
  filters.find((filter) => filter.test === "ANSWER" && filter.column === question.name);

/** What it is answered, said or preset; "" for nothing. */
export const answerOf = (question: Question, filters: Filter[]): string =>
  saidOf(question, filters)?.values[0] ?? question.preset;

/** The answers that go with what is answered before it. */
export function choicesOf(question: Question, all: Question[], filters: Filter[]): string[] {
  const above = all.find((each) => each.name === question.within);
  return question.choices[above ? answerOf(above, filters) : ""] ?? [];
}

/** Whether the report still waits for it. */
export function isOpen(question: Question, all: Question[], filters: Filter[]): boolean {
  switch (question.kind) {
    case "COLUMN":
      return !filters.some((filter) => filter.column === question.name && filter.test !== "ANSWER");
    case "CHOICE":
      return !choicesOf(question, all, filters).includes(answerOf(question, filters));
    default:
      return answerOf(question, filters) === "";
  }
}

/** The question that has to be answered before it, while that is open. */
export function before(question: Question, all: Question[], filters: Filter[]): Question | undefined {
  return all.find((each) => each.name === question.within && isOpen(each, all, filters));
}

/** The same filters with an answer in the place of the one before. */
export function answered(filters: Filter[], question: Question, answer: string): Filter[] {
  const others = filters.filter((filter) => filter !== saidOf(question, filters));
  return [...others, { column: question.name, test: "ANSWER", values: [answer] }];
}
