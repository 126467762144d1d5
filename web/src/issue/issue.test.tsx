import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { serve, show, SignedIn, type Asked } from "../__tests__/render";
import { IssuePage } from "./IssuePage";
import { RunPage } from "./RunPage";

const page = {
  report: "Cancelled sailings",
  id: "overview",
  title: "Overview",
  number: 1,
  showing: "16–22 Nov 2026, last week",
  freshness: "figures to 22 Nov",
  rows: 432,
  figures: [],
  charts: [],
  tables: [],
  texts: [{ id: "x", title: "A note", text: "Terna is in dock." }],
  sections: [],
  order: ["x"],
};

const issue = {
  id: 24,
  subscription: 1,
  mayOpenSubscription: true,
  name: "Cancelled sailings",
  title: "No. 8, 16–22 Nov 2026",
  trial: false,
  made: true,
  reason: "",
  neighbours: [{ id: 24, number: 8, state: "UNREAD", at: "2026-11-23T06:00:00Z", days: "", note: "No. 8" }],
  previous: 21,
  next: null,
  pages: [
    { id: "overview", title: "Overview" },
    { id: "every", title: "Every sailing" },
  ],
  shown: { page, drawings: {} },
  colophon: [{ name: "checksum", value: "ad95 … db29, chained to No. 7" }],
  files: [{ role: "pdf", name: "Cancelled.pdf", sha256: "abc", size: "71 kB" }],
  yours: { words: "accepted Mon 23 Nov, 07:00: “250 queued”", hasMail: true },
  run: 24,
  copy: 7,
};

const mail = {
  from: "Marit Lunde via Mail Shelf <mail-shelf@brinewater.example>",
  to: "Marit Lunde",
  replyTo: "",
  subject: "Cancelled sailings: No. 8",
  date: "2026-11-23T06:00:00Z",
  listId: "<subscription-1.brinewater.example>",
  html: "<p>eleven</p>",
  text: "eleven, as text",
  attachments: [{ name: "Cancelled.pdf", sizeBytes: 71_000 }],
  sizeBytes: 100_000,
};

const run = (state: string) => ({
  id: 24,
  subscription: 1,
  name: "Cancelled sailings",
  mayChange: true,
  trigger: "by its schedule",
  askedBy: null,
  dueAt: "2026-11-23T06:00:00Z",
  state,
  outcome: "PARTLY",
  sentence: "1 of 2 delivered.",
  issue: 24,
  number: 8,
  recipients: [
    {
      person: 3,
      name: "Ida Solvang",
      address: "ida.solvang@brinewater.example",
      words: "refused for now",
      fine: false,
      copy: 7,
      delivery: 9,
      canBeTriedAgain: true,
      nextTry: "2026-11-23T06:05:00Z",
      tries: [{ number: 1, at: "2026-11-23T06:00:00Z", words: "refused for now", reply: "452 mailbox full" }],
    },
  ],
});

let asked: Asked[];
beforeEach(() => {
  asked = serve({
    "GET issues/24?page=0&chartWidth=-42": issue,
    "GET issues/24?page=1&chartWidth=-42": {
      ...issue,
      shown: { page: { ...page, id: "every" }, drawings: {} },
    },
    "GET issues/25?page=0&chartWidth=-42": {
      ...issue,
      id: 25,
      made: false,
      reason: "No rows in the period.",
      shown: null,
      pages: [],
      files: [],
      yours: null,
    },
    "GET issues/24/mail": mail,
    "PUT issues/24/read": null,
    "GET runs/24": run("SENDING"),
    "POST runs/24/try-again": { deliveries: 1 },
  });
});
afterEach(() => vi.unstubAllGlobals());

function open(at: string) {
  show(
    <SignedIn>
      <Routes>
        <Route path="/" element={<p>the shelf</p>} />
        <Route path="/issues/:id" element={<IssuePage />} />
        <Route path="/runs/:id" element={<RunPage />} />
      </Routes>
    </SignedIn>,
    at,
  );
}

describe("an issue", () => {
  it("shows its kept figures, its colophon and what became of my copy", async () => {
    open("/issues/24");
    expect(await screen.findByText("Terna is in dock.")).toBeVisible();
    expect(screen.getByRole("complementary", { name: "Colophon" })).toHaveTextContent("chained to No. 7");
    expect(screen.getByText("accepted Mon 23 Nov, 07:00: “250 queued”")).toBeVisible();
    expect(screen.getByRole("link", { name: "PDF, 71 kB" })).toHaveAttribute(
      "href",
      "/api/v1/issues/24/files/abc?copy=7",
    );
  });

  it("is read by opening it, once", async () => {
    open("/issues/24");
    await screen.findByText("Terna is in dock.");
    await waitFor(() => expect(asked.filter((one) => one.method === "PUT")).toHaveLength(1));
    expect(asked.find((one) => one.method === "PUT")?.body).toEqual({ read: true });
  });

  it("can be kept as unread, which leads back to the shelf", async () => {
    open("/issues/24");
    await userEvent.click(await screen.findByRole("button", { name: "keep as unread" }));
    expect(await screen.findByText("the shelf")).toBeVisible();
    expect(asked.filter((one) => one.method === "PUT").at(-1)?.body).toEqual({ read: false });
  });

  it("turns its pages and steps to its neighbours", async () => {
    open("/issues/24");
    await userEvent.click(await screen.findByRole("button", { name: "2 Every sailing" }));
    await waitFor(() =>
      expect(screen.getByRole("button", { name: "2 Every sailing" })).toHaveAttribute("aria-current", "page"),
    );
    expect(screen.getByRole("link", { name: "previous" })).toHaveAttribute("href", "/issues/21");
    expect(screen.queryByRole("link", { name: "next" })).toBeNull();
  });

  it("shows the very mail, as a mail program would and as text, with its file", async () => {
    open("/issues/24");
    await userEvent.click(await screen.findByRole("button", { name: "the mail" }));
    expect(await screen.findByTitle("Mail: Cancelled sailings: No. 8")).toHaveAttribute(
      "srcdoc",
      "<p>eleven</p>",
    );
    expect(screen.getByTitle("Mail: Cancelled sailings: No. 8").getAttribute("sandbox")).not.toContain(
      "allow-scripts",
    );
    expect(screen.getByRole("link", { name: "Cancelled.pdf" })).toHaveAttribute(
      "href",
      "/api/v1/issues/24/files/abc?copy=7",
    );
    await userEvent.click(screen.getByRole("button", { name: "as plain text" }));
    expect(screen.getByText("eleven, as text")).toBeVisible();
    expect(screen.getByRole("link", { name: "source" })).toHaveAttribute(
      "href",
      "/api/v1/issues/24/mail.eml",
    );
  });

  it("that was skipped says why, and has nothing to read or to mark", async () => {
    open("/issues/25");
    expect(await screen.findByText("No rows in the period.")).toBeVisible();
    expect(screen.queryByRole("button", { name: "keep as unread" })).toBeNull();
    expect(asked.some((one) => one.method === "PUT")).toBe(false);
  });

  it("that may not be opened says so", async () => {
    open("/issues/99");
    expect(await screen.findByRole("heading", { name: "Nothing here" })).toBeVisible();
    expect(screen.getByText(/It happened\./)).toBeVisible();
    expect(screen.getByRole("link", { name: "To the library" })).toBeVisible();
  });
});

describe("a run", () => {
  it("says of each recipient what became of it, every try, and when the next is", async () => {
    open("/runs/24");
    expect(await screen.findByRole("heading", { name: "1 of 2 delivered." })).toBeVisible();
    const row = screen.getByRole("row", { name: /Ida Solvang/ });
    expect(row).toHaveTextContent("refused for nownext try Mon 23 Nov, 07:05");
    expect(row).toHaveTextContent("1. Mon 23 Nov, 07:00: refused for now (“452 mailbox full”)");
    expect(screen.getByRole("link", { name: "The copy of Ida Solvang" })).toHaveAttribute(
      "href",
      "/issues/24?copy=7",
    );
    expect(screen.getByRole("link", { name: "Issue No. 8" })).toHaveAttribute("href", "/issues/24");
  });

  it("is sent again to those who are missing", async () => {
    open("/runs/24");
    await userEvent.click(await screen.findByRole("button", { name: "Send to 1 missing" }));
    expect(await screen.findByText("1 mail is tried again.")).toBeVisible();
  });
});
