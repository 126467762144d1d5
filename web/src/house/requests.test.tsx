import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it } from "vitest";
import { MARIT, refusal, serve, show, SignedIn } from "../__tests__/render";
import { RequestsPart } from "./RequestsPart";

afterEach(cleanup);

const request = {
  id: 4,
  report: "Passengers carried",
  person: "Nora Knows",
  wants: "see reports",
  gives: "Granting it lets her.",
  because: "I plan.",
  at: "2026-11-25T09:00:00Z",
  state: "OPEN",
  mayAnswer: true,
  answeredBy: "",
  reply: "",
};
const session = { me: { ...MARIT, roles: ["ADMINISTRATOR"] }, demo: true, now: "2026-11-25T09:00:00Z" };

const part = (
  <SignedIn>
    <RequestsPart />
  </SignedIn>
);

it("requests are answered with a word, and one that was answered meanwhile says so", async () => {
  const asked = serve({
    "GET session": session,
    "GET approvals": [],
    "GET requests": [request, { ...request, id: 3, state: "DECLINED", answeredBy: "Sunniva Rein" }],
    "POST requests/4/answer": () => refusal(409, "request.answered-already"),
  });
  show(part);
  expect(await screen.findByText(/declined by Sunniva Rein/)).toBeVisible();
  await userEvent.type(screen.getByLabelText("Said to Nora Knows (may be empty)"), "Gladly.");
  await userEvent.click(screen.getByRole("button", { name: "Grant it" }));
  await waitFor(() =>
    expect(asked.find(({ method }) => method === "POST")?.body).toEqual({ grant: true, reply: "Gladly." }),
  );
  expect(await screen.findByRole("alert")).toHaveTextContent("It happened.");
});

it("that nobody asks is said", async () => {
  serve({ "GET session": session, "GET requests": [], "GET approvals": [] });
  show(part);
  expect(await screen.findByText(/Nobody waits for an answer/)).toBeVisible();
});
