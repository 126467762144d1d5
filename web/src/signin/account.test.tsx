import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { refusal, serve, show, SignedIn } from "../__tests__/render";
import { AccountPage } from "./AccountPage";

const session = { begunAt: "2026-11-23T06:00:00Z", seenAt: "2026-11-25T08:30:00Z", agent: "Browser" };
const page = (
  <SignedIn>
    <AccountPage />
  </SignedIn>
);

describe("the account", () => {
  it("tells where one is signed in, and signs out there but not here", async () => {
    const asked = serve({
      "GET account/sessions": [
        { ...session, id: 4, from: "10.0.0.7", current: true },
        { ...session, id: 5, from: "10.0.0.9", current: false },
      ],
      "DELETE account/sessions/5": null,
    });
    show(page);

    await userEvent.click(await screen.findByRole("button", { name: /^sign out there: 10.0.0.9/ }));

    await waitFor(() => expect(asked.some((one) => one.method === "DELETE")).toBe(true));
    expect(screen.getByText("this one")).toBeVisible();
    expect(screen.queryByRole("button", { name: /10.0.0.7/ })).toBeNull();
  });

  it("changes the password, and keeps what was typed when that is refused", async () => {
    let right = false;
    serve({
      "GET account/sessions": [],
      "PUT account/password": () => (right ? { ended: 2 } : refusal(400, "account.wrong-password")),
    });
    show(page);

    await userEvent.type(await screen.findByLabelText("Current password"), "a ferry");
    await userEvent.type(screen.getByLabelText(/^New password/), "the tide turns twice");
    await userEvent.click(screen.getByRole("button", { name: "Change password" }));
    expect(await screen.findByText("It happened.")).toBeVisible();
    expect(screen.getByLabelText(/^New password/)).toHaveValue("the tide turns twice");

    right = true;
    await userEvent.click(screen.getByRole("button", { name: "Change password" }));
    await waitFor(() => expect(screen.getByLabelText(/^New password/)).toHaveValue(""));
    expect(await screen.findByText(/2 other sessions are ended/)).toBeVisible();
  });
});
