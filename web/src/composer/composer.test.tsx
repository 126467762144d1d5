import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { MARIT, refusal, serve, show, SignedIn, type Asked } from "../__tests__/render";
import { ComposerPage } from "./ComposerPage";

const periods = [
  { code: "last-week", words: "last week", days: "16–22 Nov 2026" },
  { code: "last-month", words: "last month", days: "1–31 Oct 2026" },
];

const report = {
  report: 1,
  title: "Cancelled sailings",
  about: "",
  folder: "Traffic",
  pages: [
    { id: "overview", title: "Overview" },
    { id: "every", title: "Every cancelled sailing" },
  ],
  period: { code: "last-week", words: "last week", days: "16–22 Nov 2026" },
  periods,
  byTime: false,
  narrowable: [{ column: "route", title: "Route", type: "TEXT", first: true }],
  measures: [],
  questions: [],
  maySubscribe: true,
  shown: { page: {}, drawings: {} },
};

const people = [
  { id: MARIT.id, name: MARIT.name, address: MARIT.address, maySee: true },
  { id: 3, name: "Ida Solvang", address: "ida.solvang@brinewater.example", maySee: true },
  { id: 7, name: "Anders Moe", address: "anders.moe@brinewater.example", maySee: false },
];

const holm = { column: "route", test: "ANY_OF", values: ["5 Holm ring"] };
const cuts = {
  cuts: [
    {
      id: 7,
      name: "The ring",
      about: "",
      shared: true,
      owner: "Ida Solvang",
      fits: true,
      cut: { page: "", period: "last-month", filters: [holm, holm], tables: {} },
    },
  ],
  mayShare: true,
};

interface Terms {
  name: string;
  content: {
    report: number;
    follows: number | null;
    pages: string[];
    blocks: string[];
    period: string;
    filters: unknown[];
  }[];
  clipping: number | null;
  recipients: number[];
  schedule: { recurrence: string; at: string };
  output: { pdf: boolean; picture: boolean };
}

const composed = ({ body }: Asked) => {
  const { terms } = body as { terms: Terms };
  const { pages, period, filters } = terms.content[0] as Terms["content"][number];
  return {
    terms,
    content: [],
    ruled: [],
    ownerView: true,
    sentence: [
      { part: "WHEN", text: `Every ${terms.schedule.recurrence} at ${terms.schedule.at}`, missing: false },
      { part: null, text: ", ", missing: false },
      { part: "WHAT", text: `${pages.length} pages`, missing: pages.length === 0 },
      { part: null, text: " for ", missing: false },
      { part: "PERIOD", text: period, missing: false },
      { part: null, text: ", ", missing: false },
      { part: "FILTER", text: `${filters.length} filters`, missing: false },
      { part: null, text: ", ", missing: false },
      { part: "AS_WHAT", text: terms.output.pdf ? "as PDF" : "in the mail", missing: false },
      { part: null, text: ", to ", missing: false },
      { part: "TO_WHOM", text: `${terms.recipients.length} people`, missing: false },
      { part: null, text: ".", missing: false },
    ],
    missing: terms.recipients.length === 0 ? ["TO_WHOM"] : [],
    notes: [{ part: "TO_WHOM", text: "you already get this", serious: false }],
    sends: [
      { at: "2026-11-30T06:00:00Z", local: "Mon 30 Nov, 07:00", day: "30 Nov", shift: "", days: "23–29 Nov" },
      {
        at: "2026-12-07T06:00:00Z",
        local: "Mon 7 Dec, 07:00",
        day: "7 Dec",
        shift: "",
        days: "30 Nov – 6 Dec",
      },
    ],
    daysNow: "16–22 Nov 2026",
    rows: 432,
    mail: {
      from: "Marit Lunde via Mail Shelf",
      to: "Marit Lunde",
      subject: `${terms.name}: Trial`,
      html: "<p>11</p>",
      text: "eleven",
    },
    pdf: terms.output.pdf ? { sheets: ["<svg></svg>"], sizeBytes: 66_000, size: "66 kB" } : null,
  };
};

let asked: Asked[];
beforeEach(() => {
  sessionStorage.clear();
  asked = serve({
    "GET reports/1?chartWidth=280": report,
    "GET candidates?report=1": people,
    "GET periods?zone=Europe%2FOslo&weeks=MONDAY&byTime=false": periods,
    "GET reports/1/cuts": cuts,
    "GET recurrences?rule=FREQ%3DWEEKLY%3BBYDAY%3DMO": {
      kind: "WEEKLY",
      days: ["MONDAY"],
      date: null,
      minutes: null,
      matching: "last-week",
    },
    "POST compositions": composed,
    "POST subscriptions": { id: 9 },
    "POST subscriptions/9/try": { id: 70 },
    "GET library?most=1000": {
      folders: [],
      entries: [{ id: 1, title: "Cancelled sailings", about: "", maySubscribe: true }],
    },
  });
  show(
    <SignedIn>
      <ComposerPage />
    </SignedIn>,
    "/compose?report=1&page=overview&period=last-month&filter=route:5+Holm+ring",
  );
});
afterEach(() => vi.unstubAllGlobals());

const part = (name: string) => screen.findByRole("button", { name });
const lastTerms = () =>
  (asked.filter((one) => one.path === "compositions").at(-1)?.body as { terms: Terms }).terms;

describe("a new subscription", () => {
  it("begins with what was on the screen, for myself", async () => {
    await part("1 pages");
    expect(lastTerms()).toMatchObject({
      name: "Cancelled sailings",
      content: [
        {
          pages: ["overview"],
          period: "last-month",
          filters: [{ column: "route", test: "ANY_OF", values: ["5 Holm ring"] }],
        },
      ],
      recipients: [MARIT.id],
    });
  });

  it("opens each part's editor under it, several at once, and follows each change", async () => {
    await userEvent.click(await part("1 pages"));
    await userEvent.click(await part("last-month"));
    await userEvent.click(
      within(screen.getByRole("group", { name: "what" })).getByLabelText("Every cancelled sailing"),
    );
    await userEvent.click(
      within(screen.getByRole("group", { name: "the period" })).getByRole("button", { name: "last week" }),
    );
    await part("2 pages");
    await part("last-week");
    expect(lastTerms().content[0]?.pages).toEqual(["overview", "every"]);
    await userEvent.click(
      within(screen.getByRole("group", { name: "what" })).getByRole("button", { name: "Done" }),
    );
    expect(screen.queryByRole("group", { name: "what" })).toBeNull();
  });

  it("is scheduled by days, date and time", async () => {
    await userEvent.click(await part("Every FREQ=WEEKLY;BYDAY=MO at 07:00"));
    await userEvent.click(await screen.findByRole("button", { name: "Thursday" }));
    await part("Every FREQ=WEEKLY;BYDAY=MO,TH at 07:00");
    await userEvent.click(screen.getByRole("button", { name: "monthly" }));
    await userEvent.clear(screen.getByLabelText("Day of the month"));
    await userEvent.type(screen.getByLabelText("Day of the month"), "31");
    expect(await screen.findByText("in a month without it, on its last day")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "daily" }));
    await part("Every FREQ=DAILY at 07:00");
  });

  it("keeps at least one day of the week", async () => {
    await userEvent.click(await part("Every FREQ=WEEKLY;BYDAY=MO at 07:00"));
    await userEvent.click(await screen.findByRole("button", { name: "Monday" }));
    expect(screen.getByRole("button", { name: "Monday" })).toHaveAttribute("aria-pressed", "true");
  });

  it("that was left half done says so when it is opened again, and can be begun anew", async () => {
    await userEvent.click(await part("1 people"));
    await userEvent.click(await part("take off Marit Lunde (myself)"));
    expect(screen.queryByText(/You began this earlier/)).toBeNull();
    cleanup();
    show(
      <SignedIn>
        <ComposerPage />
      </SignedIn>,
      "/compose?report=1&page=overview&period=last-month&filter=route:5+Holm+ring",
    );
    expect(await screen.findByText(/You began this earlier/)).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "begin anew" }));
    await part("1 people");
    expect(screen.queryByText(/You began this earlier/)).toBeNull();
  });

  it("says what is missing and cannot be started so", async () => {
    await userEvent.click(await part("1 people"));
    await userEvent.click(await part("take off Marit Lunde (myself)"));
    expect(await screen.findByText("Still missing: to whom.")).toBeVisible();
    expect(screen.getByRole("button", { name: "Start subscription" })).toBeDisabled();
    expect(screen.getByText("Nobody is on the list.")).toBeVisible();
  });

  it("finds teammates by name and says who may not see the report", async () => {
    await userEvent.click(await part("1 people"));
    await userEvent.type(await screen.findByRole("searchbox", { name: "Name or address" }), "moe");
    expect(screen.getByText(/may not see this report/)).toBeVisible();
    expect(screen.queryByRole("button", { name: "Add Ida Solvang" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Add Anders Moe" }));
    await part("2 people");
    expect(screen.getByText("you already get this")).toBeVisible();
  });

  it("shows the mail, its text and the file's sheets", async () => {
    expect(await screen.findByTitle("The mail as Marit Lunde gets it")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "as text" }));
    expect(screen.getByText("eleven")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "PDF, 1 sheet, 66 kB" }));
    expect(screen.getByRole("listitem", { name: "Sheet 1 of 1" })).toBeInTheDocument();
  });

  it("tells of each next send which days it will cover", async () => {
    await userEvent.hover(
      await screen.findByRole("button", { name: "Mon 7 Dec, 07:00, for 30 Nov – 6 Dec" }),
    );
    expect(screen.getByText("Mon 7 Dec, 07:00: the days 30 Nov – 6 Dec.")).toBeVisible();
  });

  it("is started, and the first send is stated", async () => {
    await part("1 pages");
    await userEvent.click(screen.getByRole("button", { name: "Start subscription" }));
    expect(
      await screen.findByText("“Cancelled sailings” is started. The first send is Mon 30 Nov, 07:00."),
    ).toBeVisible();
    const kept = asked.find((one) => one.path === "subscriptions")?.body as { terms: Terms; start: boolean };
    expect(kept.start).toBe(true);
    expect(kept.terms.recipients).toEqual([MARIT.id]);
  });

  it("is tried on myself as a draft", async () => {
    await part("1 pages");
    await userEvent.click(screen.getByRole("button", { name: "Try it on myself" }));
    await waitFor(() => expect(asked.some((one) => one.path === "subscriptions/9/try")).toBe(true));
    expect(asked.find((one) => one.path === "subscriptions")?.body).toMatchObject({ start: false });
  });
});

describe("a subscription that the server refuses", () => {
  it("stays on the screen with what is wrong", async () => {
    await part("1 pages");
    serve({
      "GET reports/1?chartWidth=280": report,
      "GET candidates?report=1": people,
      "GET periods?zone=Europe%2FOslo&weeks=MONDAY&byTime=false": periods,
      "POST compositions": composed,
      "POST subscriptions": () => refusal(403, "subscription.no-teammates"),
    });
    await userEvent.click(screen.getByRole("button", { name: "Start subscription" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("It happened.It means this. Do that.");
    expect(screen.getByRole("button", { name: "1 pages" })).toBeVisible();
  });
});

describe("a cut", () => {
  it("is followed with its period and filters until one of them is set by hand", async () => {
    await userEvent.click(await screen.findByRole("button", { name: "follow a cut" }));
    await userEvent.click(screen.getByRole("radio", { name: /Those of the cut “The ring”/ }));
    await part("2 filters");
    expect(lastTerms().content[0]).toMatchObject({ follows: 7, period: "last-month", filters: [holm, holm] });
    await userEvent.click(await part("last-month"));
    await userEvent.click(screen.getByRole("button", { name: "last week" }));
    await part("last-week");
    expect(lastTerms().content[0]).toMatchObject({
      follows: null,
      period: "last-week",
      filters: [holm, holm],
    });
  });
});

describe("a subscription that is kept already", () => {
  const terms = {
    name: "Kept",
    content: [
      { report: 1, pages: ["overview"], blocks: [], follows: null, period: "last-week", filters: [] },
    ],
    clipping: null,
    firstDayOfWeek: "MONDAY",
    recipients: [3],
    output: { pdf: true, picture: false },
    schedule: { recurrence: "FREQ=DAILY", at: "07:00:00", zone: "Europe/Oslo" },
    locale: "en",
  };

  it("is changed over the version that was read, and says from which send that counts", async () => {
    cleanup();
    asked = serve({
      "GET reports/1?chartWidth=280": report,
      "GET candidates?report=1": people,
      "GET periods?zone=Europe%2FOslo&weeks=MONDAY&byTime=false": periods,
      "POST compositions": composed,
      "GET subscriptions/5": {
        line: { id: 5, name: "Kept", state: "ACTIVE", spines: [] },
        version: 3,
        terms,
        fitted: terms,
        lost: [],
        recipients: [],
      },
      "PUT subscriptions/5": null,
    });
    show(
      <SignedIn>
        <ComposerPage />
      </SignedIn>,
      "/compose?change=5",
    );
    expect(await screen.findByRole("button", { name: "Keep changes" })).toBeDisabled();
    await userEvent.click(await part("last-week"));
    await userEvent.click(screen.getByRole("button", { name: "last month" }));
    await part("last-month");
    expect(screen.getByRole("button", { name: "Try it on myself" })).toBeDisabled();
    await userEvent.click(screen.getByRole("button", { name: "Keep changes" }));
    expect(
      await screen.findByText("“Kept” is changed, counting from the send on Mon 30 Nov, 07:00."),
    ).toBeVisible();
    const put = asked.find((one) => one.method === "PUT");
    expect(put?.headers["If-Match"]).toBe('"3"');
    expect(put?.body).toEqual({
      ...terms,
      content: [{ ...terms.content[0], period: "last-month" }],
    });
  });
});
