import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { AnswerEditor } from "./AnswerEditor";
import type { Filter } from "./cut";
import { answered, answerOf, before, choicesOf, isOpen, type Question } from "./questions";

afterEach(cleanup);

const question = (name: string, part: Partial<Question>): Question => ({
  name,
  ask: `${name}?`,
  kind: "CHOICE",
  within: "",
  from: null,
  to: null,
  choices: {},
  preset: "",
  ...part,
});
const route = question("route", { kind: "COLUMN" });
const half = question("half", { choices: { "": ["summer", "winter"] }, preset: "summer" });
const month = question("month", { within: "half", choices: { summer: ["May"], winter: ["November"] } });
const bound = question("bound", { kind: "NUMBER", from: 1, to: 60 });
const all = [route, half, month, bound];
const winter: Filter[] = [{ column: "half", test: "ANSWER", values: ["winter"] }];

it("questions are open until an answer goes with the one before it", () => {
  expect(all.map((each) => isOpen(each, all, []))).toEqual([true, false, true, true]);
  expect(choicesOf(month, all, [])).toEqual(["May"]);
  expect(choicesOf(month, all, winter)).toEqual(["November"]);
  const may = answered(winter, month, "May");
  expect(isOpen(month, all, may)).toBe(true);
  expect(isOpen(month, all, answered(may, month, "November"))).toBe(false);
  expect(answerOf(half, answered(winter, half, "summer"))).toBe("summer");
  expect(isOpen(route, all, [{ column: "route", test: "FILLED", values: [] }])).toBe(false);
});

it("what depends on an open question waits for it", () => {
  const unset = { ...half, preset: "" };
  expect(before(month, [unset, month], [])).toBe(unset);
  render(<AnswerEditor question={month} all={[unset, month]} filters={[]} change={vi.fn()} />);
  expect(screen.getByText("Answer first: half?")).toBeVisible();
});

it("numbers are answered within their bounds, choices by a press", async () => {
  const change = vi.fn();
  const { rerender } = render(<AnswerEditor question={bound} all={all} filters={winter} change={change} />);
  const field = screen.getByLabelText("bound?");
  expect(field).toHaveAttribute("max", "60");
  await userEvent.type(field, "15{Enter}");
  expect(change).toHaveBeenLastCalledWith([...winter, { column: "bound", test: "ANSWER", values: ["15"] }]);
  rerender(<AnswerEditor question={half} all={all} filters={winter} change={change} />);
  expect(screen.getByRole("button", { name: "winter" })).toHaveAttribute("aria-pressed", "true");
  await userEvent.click(screen.getByRole("button", { name: "summer" }));
  expect(change).toHaveBeenLastCalledWith([{ column: "half", test: "ANSWER", values: ["summer"] }]);
});
