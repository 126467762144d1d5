import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { MARIT, refusal, serve, show, SignedIn, type Asked } from "../__tests__/render";
import { SubscriptionPage } from "./SubscriptionPage";
import { SubscriptionsPage } from "./SubscriptionsPage";

const line = (id: number, name: string, other: object) => ({
  id,
  name,
  sentence: `Every Monday, ${name}.`,
  state: "ACTIVE",
  pausedBecause: "",
  waits: false,
  owner: "Marit Lunde",
  mine: true,
  mayChange: true,
  nextDue: "2026-11-30T06:00:00Z",
  spines: [],
  ...other,
});

const lines = [
  line(1, "Cancelled sailings", {}),
  line(2, "Engine trouble", { state: "PAUSED", pausedBecause: "Ida may no longer see it.", nextDue: null }),
  line(4, "Duties", {
    state: "PAUSED",
    pausedBecause: "Somebody has to approve it.",
    waits: true,
    nextDue: null,
  }),
  line(3, "Fares", { mine: false, mayChange: false, owner: "Ida Solvang" }),
];

const view = {
  line: lines[0],
  fullSentence: "Every Monday, all of it, to me and Ida Solvang.",
  version: 4,
  terms: { recipients: [2, 3], name: "Cancelled sailings" },
  recipients: [
    { id: MARIT.id, name: "Marit Lunde", address: "", inclusion: "INCLUDED", because: "is sent it" },
    { id: 3, name: "Ida Solvang", address: "", inclusion: "MAY_NOT_SEE", because: "may not see the report" },
  ],
  history: [
    {
      at: "2026-11-20T08:00:00Z",
      by: "Marit Lunde",
      what: "changed it",
      version: 4,
      changes: [{ part: "PERIOD", before: "last week", after: "the last 4 weeks" }],
      because: "",
    },
    {
      at: "2026-11-18T08:00:00Z",
      by: "Ida Solvang",
      what: "paused it",
      version: null,
      changes: [],
      because: "Dry dock.",
    },
  ],
  runs: [
    {
      id: 24,
      trigger: "by its schedule",
      dueAt: "2026-11-23T06:00:00Z",
      state: "CLOSED",
      outcome: "PARTLY",
      reason: "",
      number: 8,
    },
  ],
};

const outlook = {
  number: 9,
  recipients: 1,
  leftOut: [{ name: "Ida Solvang", because: "may not see the report" }],
  days: "16–22 Nov 2026",
  regular: "Mon 30 Nov, 07:00",
};

let asked: Asked[];
beforeEach(() => {
  asked = serve({
    "GET subscriptions": lines,
    "GET subscriptions/1": view,
    "GET subscriptions/1/outlook": outlook,
    "POST subscriptions/1/send": { id: 70 },
    "POST subscriptions/1/pause": null,
    "POST subscriptions/1/resume": null,
    "POST subscriptions/1/end": null,
    "POST subscriptions/2/resume": () => refusal(403, "subscription.no-subscribing"),
    "DELETE subscriptions/1/recipients/3": null,
    "PUT subscriptions/1": null,
  });
});
afterEach(() => vi.unstubAllGlobals());

function open(at: string) {
  show(
    <SignedIn>
      <Routes>
        <Route path="/subscriptions" element={<SubscriptionsPage />} />
        <Route path="/subscriptions/:id" element={<SubscriptionPage />} />
        <Route path="/runs/:id" element={<p>the run</p>} />
      </Routes>
    </SignedIn>,
    at,
  );
}

const sent = (path: string, method?: string) =>
  asked.find((one) => one.path === path && (method ? one.method === method : one.method !== "GET"));

describe("the list", () => {
  it("says how many there are in which state, and when the next leaves", async () => {
    open("/subscriptions");
    expect(
      await screen.findByText("4 that you may see: 2 active, 2 paused. The next leaves Mon 30 Nov, 07:00."),
    ).toBeVisible();
  });

  it("tells of a send that is set aside instead of promising it", async () => {
    serve({
      "GET subscriptions": [lines[0], line(5, "Fuel", { nextDue: "2026-11-24T06:00:00Z" })],
      "GET set-aside": [{ kind: "BOOK", unit: 5, subscription: 5, run: null }],
    });
    open("/subscriptions");
    const told = await screen.findByRole("link", { name: "The send of Tue 24 Nov, 07:00 is set aside" });
    expect(told).toHaveAttribute("href", "/subscriptions/5");
    expect(
      screen.getByText("2 that you may see: 2 active. The next leaves Mon 30 Nov, 07:00."),
    ).toBeVisible();
  });

  it("is narrowed by state and owner", async () => {
    open("/subscriptions");
    await userEvent.click(await screen.findByRole("button", { name: "paused" }));
    expect(screen.queryByRole("link", { name: "Cancelled sailings" })).toBeNull();
    expect(screen.getByText("Ida may no longer see it.")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "draft" }));
    expect(screen.getByText(/No subscription is so/)).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "any state" }));
    await userEvent.click(screen.getByRole("button", { name: "mine" }));
    expect(screen.queryByRole("link", { name: "Fares" })).toBeNull();
  });

  it("offers on each row what can be done with it, and nothing on those of others", async () => {
    open("/subscriptions");
    expect(await screen.findByRole("button", { name: "pause…: Cancelled sailings" })).toBeVisible();
    expect(screen.getByRole("button", { name: "resume: Engine trouble" })).toBeVisible();
    expect(screen.queryByRole("button", { name: /: Fares/ })).toBeNull();
    expect(screen.getByRole("button", { name: "resume: Duties" })).toBeDisabled();
    expect(screen.getByText("Somebody has to approve it.")).toBeVisible();
  });

  it("says on the row why something could not be done", async () => {
    open("/subscriptions");
    await userEvent.click(await screen.findByRole("button", { name: "resume: Engine trouble" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("It happened.");
  });
});

describe("sending now", () => {
  it("says first what it would do, and does it when told", async () => {
    open("/subscriptions");
    await userEvent.click(await screen.findByRole("button", { name: "send now…: Cancelled sailings" }));
    const sheet = within(screen.getByRole("dialog", { name: "Send “Cancelled sailings” now" }));
    expect(await sheet.findByText("Issue No. 9 is made now, for 16–22 Nov 2026.")).toBeVisible();
    expect(sheet.getByText("Ida Solvang: may not see the report")).toBeVisible();
    expect(sheet.getByText("The regular one still goes on Mon 30 Nov, 07:00.")).toBeVisible();
    expect(sent("subscriptions/1/send")).toBeUndefined();
    await userEvent.click(sheet.getByRole("button", { name: "Send to 1 person" }));
    expect(await screen.findByText("the run")).toBeVisible();
  });

  it("is left by Escape without anything sent", async () => {
    open("/subscriptions");
    await userEvent.click(await screen.findByRole("button", { name: "send now…: Cancelled sailings" }));
    await userEvent.keyboard("{Escape}");
    expect(screen.queryByRole("dialog")).toBeNull();
    expect(sent("subscriptions/1/send")).toBeUndefined();
  });
});

describe("one subscription", () => {
  it("reads as its full sentence, with who gets it and what was made", async () => {
    open("/subscriptions/1");
    expect(await screen.findByText("Every Monday, all of it, to me and Ida Solvang.")).toBeVisible();
    expect(screen.getByRole("region", { name: "Who gets it" })).toHaveTextContent(
      "Ida Solvangmay not see the report",
    );
    expect(screen.getByRole("region", { name: "What was made" })).toHaveTextContent(
      "Mon 23 Nov, 07:00No. 8by its schedulepartly delivered",
    );
    const changed = screen.getByRole("region", { name: "What was changed" });
    expect(changed).toHaveTextContent(
      "Marit Lunde changed it (version 4)Fri 20 Nov, 09:00period: last week → the last 4 weeks",
    );
    expect(changed).toHaveTextContent("Ida Solvang paused itWed 18 Nov, 09:00Dry dock.");
  });

  it("takes a recipient off at once, and undo puts back that one alone", async () => {
    open("/subscriptions/1");
    await userEvent.click(await screen.findByRole("button", { name: "take off Ida Solvang" }));
    await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(sent("subscriptions/1/recipients/3", "PUT")).toBeDefined());
    expect(sent("subscriptions/1")).toBeUndefined();
  });

  it("is paused with a reason, and resumed by taking that back", async () => {
    open("/subscriptions/1");
    await userEvent.click(await screen.findByRole("button", { name: "pause…" }));
    await userEvent.type(screen.getByLabelText(/^Because/), "a holiday");
    await userEvent.click(screen.getByRole("button", { name: "Pause subscription" }));
    await waitFor(() => expect(sent("subscriptions/1/pause")?.body).toEqual({ because: "a holiday" }));
    await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(sent("subscriptions/1/resume")).toBeDefined());
  });

  it("ends only after it was said what that means", async () => {
    open("/subscriptions/1");
    await userEvent.click(await screen.findByRole("button", { name: "end…" }));
    expect(screen.getByText(/Every issue stays on the shelf, and it cannot be started again/)).toBeVisible();
    expect(sent("subscriptions/1/end")).toBeUndefined();
    await userEvent.click(screen.getByRole("button", { name: "End subscription" }));
    await waitFor(() => expect(sent("subscriptions/1/end")).toBeDefined());
  });
});
