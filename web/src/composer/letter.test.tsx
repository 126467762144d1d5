import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, expect, it, vi } from "vitest";
import type { Api } from "../api/client";
import { show } from "../__tests__/render";
import { LetterEditor } from "./LetterEditor";

afterEach(cleanup);

const VIEW: Api["LetterView"] = {
  usualSubject: "{subscription}: {number}, {days}",
  fields: [
    { field: "days", says: "16–22 Nov 2026" },
    { field: "value of routes", says: "" },
  ],
};

type Letter = Api["LetterPattern"] | null;

const keep = vi.fn<(letter: Letter) => void>();
const kept = () => keep.mock.lastCall?.[0];

function Editor({ first }: { first: Letter }) {
  const [letter, setLetter] = useState(first);
  const change = (next: Letter) => {
    keep(next);
    setLetter(next);
  };
  return <LetterEditor letter={letter} view={VIEW} change={change} />;
}

const subject = () => screen.getByLabelText("Subject, with fields in braces");

it("begins with the usual subject, which is no letter of its own until it is changed", async () => {
  show(<Editor first={null} />);
  expect(subject()).toHaveValue("{subscription}: {number}, {days}");
  await userEvent.type(subject(), "!");
  expect(kept()).toEqual({ subject: "{subscription}: {number}, {days}!", text: "" });
  await userEvent.type(subject(), "{Backspace}");
  expect(kept()).toBeNull();
});

it("puts a field in where one writes, and goes on behind it", async () => {
  show(<Editor first={{ subject: "Hours of ", text: "" }} />);
  await userEvent.click(subject());
  await userEvent.click(screen.getByRole("button", { name: "value of routes" }));
  await userEvent.keyboard(", weekly");
  expect(kept()?.subject).toBe("Hours of {value of routes}, weekly");
  await userEvent.click(screen.getByLabelText("Words before the figures (may be empty)"));
  expect(screen.getByText("Put into the text")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "days" }));
  expect(kept()?.text).toBe("{days}");
});

it("can be emptied to write another, and be as usual again", async () => {
  show(<Editor first={{ subject: "Hours", text: "Hello" }} />);
  await userEvent.clear(subject());
  expect(subject()).toHaveValue("");
  await userEvent.type(subject(), "Crew");
  expect(kept()).toEqual({ subject: "Crew", text: "Hello" });
  await userEvent.click(screen.getByRole("button", { name: "As usual again" }));
  expect(kept()).toBeNull();
  expect(subject()).toHaveValue("{subscription}: {number}, {days}");
});
