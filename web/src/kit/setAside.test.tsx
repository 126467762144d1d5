import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it } from "vitest";
import { MARIT, refusal, serve, show, SignedIn } from "../__tests__/render";
import { SetAsidePart } from "../house/SetAsidePart";
import { SetAside } from "./SetAside";

afterEach(cleanup);

const booking = {
  kind: "BOOK",
  unit: 4,
  what: "Preparing the next send of “Cancelled sailings”",
  reason: "An unexpected fault of the program (IllegalStateException).",
  failures: 5,
  failedAt: "2026-11-25T09:00:00Z",
  mayTryAgain: true,
  subscription: 4,
  run: null,
};
const session = { me: { ...MARIT, roles: ["ADMINISTRATOR"] }, demo: true, now: "2026-11-25T09:00:00Z" };

it("what is set aside says why and is tried again, or why that is refused", async () => {
  const asked = serve({
    "GET session": session,
    "GET set-aside": [booking, { ...booking, unit: 5, what: "Another", mayTryAgain: false }],
    "POST set-aside/BOOK/4/try-again": () => refusal(404, "not-found"),
  });
  show(
    <SignedIn>
      <SetAsidePart />
    </SignedIn>,
  );
  expect(await screen.findAllByText(/Failed 5 times/)).toHaveLength(2);
  await userEvent.click(screen.getByRole("button", { name: /^Try again: Preparing the next send/ }));
  await waitFor(() => expect(asked.some(({ method }) => method === "POST")).toBe(true));
  expect(await screen.findByRole("alert")).toHaveTextContent("It happened.");
  expect(screen.queryByRole("button", { name: "Try again: Another" })).toBeNull();
});

it("that nothing is set aside is good news, and a page of something else shows nothing", async () => {
  serve({ "GET session": session, "GET set-aside": [] });
  show(
    <SignedIn>
      <SetAsidePart />
      <SetAside of={(item) => item.subscription === 4} />
    </SignedIn>,
  );
  expect(await screen.findByText(/^Nothing is set aside/)).toBeVisible();
  expect(screen.queryByRole("list")).toBeNull();
});
