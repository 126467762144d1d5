import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it } from "vitest";
import { MARIT, serve, show, SignedIn } from "../__tests__/render";
import { RequestsPart } from "./RequestsPart";
import { RulesPart } from "./RulesPart";

afterEach(cleanup);

const waiting = {
  id: 7,
  subscription: 12,
  name: "Duties",
  owner: "Marit Lunde",
  others: 2,
  columns: ["In charge"],
  at: "2026-11-25T09:00:00Z",
  state: "OPEN",
  answeredBy: "",
  reply: "",
  mayAnswer: true,
};
const session = { me: { ...MARIT, roles: ["ADMINISTRATOR"] }, demo: true, now: "2026-11-25T09:00:00Z" };

it("what waits is approved with a word, but one's own by another", async () => {
  const asked = serve({
    "GET session": session,
    "GET requests": [],
    "GET approvals": [waiting, { ...waiting, id: 8, name: "Mine", mayAnswer: false }],
    "POST approvals/7/answer": null,
  });
  show(
    <SignedIn>
      <RequestsPart />
    </SignedIn>,
  );
  expect(await screen.findByRole("link", { name: "Duties" })).toHaveAttribute("href", "/subscriptions/12");
  expect(
    screen.getAllByText("2 others see it as Marit Lunde does, with what is personal: In charge."),
  ).toHaveLength(2);
  expect(screen.getByText(/another administrator has to approve it/)).toBeVisible();
  await userEvent.type(screen.getByLabelText("Said to Marit Lunde (may be empty)"), "Until May.");
  await userEvent.click(screen.getByRole("button", { name: "Approve it" }));
  await waitFor(() =>
    expect(asked.find(({ method }) => method === "POST")?.body).toEqual({
      approve: true,
      reply: "Until May.",
      columns: ["In charge"],
    }),
  );
});

it("the house's rule on personal columns says whom it concerns", async () => {
  const concerned = [
    { id: 12, name: "Duties", owner: "Marit Lunde", state: "ACTIVE", columns: ["In charge"] },
  ];
  const asked = serve({
    "GET session": session,
    "GET house-rules": { personal: "WARN", concerned },
    "PUT house-rules": null,
  });
  show(
    <SignedIn>
      <RulesPart />
    </SignedIn>,
  );
  expect(await screen.findByRole("radio", { name: /Say so/ })).toBeChecked();
  expect(screen.getByRole("heading", { name: /1 subscription shows others/ })).toBeVisible();
  expect(screen.getByText("Marit Lunde, active")).toBeVisible();
  await userEvent.click(screen.getByRole("radio", { name: /Mask them/ }));
  await waitFor(() =>
    expect(asked.find(({ method }) => method === "PUT")?.body).toEqual({ personal: "MASK" }),
  );
});
