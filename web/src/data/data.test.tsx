import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { refusal, serve, show, SignedIn, type Asked } from "../__tests__/render";
import { DataSetPage } from "./DataSetPage";
import { DataSetsPage } from "./DataSetsPage";
import { NewDataSetPage } from "./NewDataSetPage";

const load = {
  no: 3,
  rows: 45110,
  figuresTo: "2026-11-24",
  loadedAt: "2026-11-25T04:40:00Z",
  sha256: "49a8a6582765166f",
};
const line = {
  id: 1,
  folder: 1,
  folderName: "Traffic",
  name: "sailings",
  newestLoad: load,
  ruled: ["route"],
  ahead: false,
  failure: "",
  reports: 2,
};
const view = {
  line: { ...line, failure: "line 4: much" },
  owner: "Marit Lunde",
  mayChange: true,
  columns: [
    { name: "date", type: "DATE", decimals: 0, zone: null },
    { name: "route", type: "TEXT", decimals: 0, zone: null },
  ],
  dateColumn: "date",
  plan: {
    origin: { kind: "SENT", source: null, ask: "" },
    times: { kind: "BY_HAND", at: null, zone: null, minutes: 0 },
    mode: "REPLACE",
    dates: null,
    decimalMark: null,
    mostLost: null,
  },
  source: "",
  nextLoad: null,
  attempts: [
    {
      at: "2026-11-26T04:40:00Z",
      by: "Marit Lunde",
      millis: 40,
      load: null,
      more: null,
      mayReturn: false,
      failure: "line 4: much",
    },
    {
      at: "2026-11-25T04:40:00Z",
      by: "Marit Lunde",
      millis: 412,
      load,
      more: -68,
      mayReturn: false,
      failure: "",
    },
  ],
  rules: [{ column: "route", mapping: 2, who: "who", values: "route" }],
  ownerView: false,
  personal: ["route"],
  fits: [{ column: "route", unknownValues: ["6 Old pier"], unknownNames: [] }],
  usedBy: [{ id: 1, title: "Cancelled sailings" }],
};
const folders = [
  { id: 1, parent: null, name: "Traffic", entries: 1, mayPublish: true },
  { id: 2, parent: null, name: "Passengers", entries: 1, mayPublish: false },
];
const inspection = {
  file: { name: "", charset: "UTF-8", separator: ";", decimalMark: "POINT", marks: ["POINT", "COMMA"] },
  columns: [
    {
      column: { name: "day", type: "DATE", decimals: 0, zone: null },
      dateForms: ["DAY_FIRST", "MONTH_FIRST"],
      empty: 0,
    },
    { column: { name: "boats", type: "NUMBER", decimals: 0, zone: null }, dateForms: [], empty: 1 },
  ],
  rowsSeen: 1,
  firstRows: [
    [
      { text: "2026-04-03", fits: true },
      { text: "two", fits: false },
    ],
  ],
};

let asked: Asked[];
let mayPublish = true;
beforeEach(() => {
  mayPublish = true;
  asked = serve({
    "GET data-sets": [line, { ...line, id: 2, name: "route leads", newestLoad: null, ruled: [], reports: 0 }],
    "GET data-sets/1": view,
    "GET data-sets/1/people": [{ id: 3, name: "Ida Solvang" }],
    "GET data-sets/1/sights/3": {
      rows: 1,
      of: 45110,
      given: [{ column: "route", all: false, values: ["3"] }],
    },
    "GET library?words=": () => ({
      folders: folders.map((each) => ({ ...each, mayPublish: mayPublish && each.mayPublish })),
      entries: [],
      publishes: true,
    }),
    "POST data-sets/1/loads?mode=REPLACE": () => refusal(422, "data.bad-rows"),
    "POST data-sets/inspections?folder=1": inspection,
    "POST data-sets/inspections?folder=1&dates=MONTH_FIRST": inspection,
    "POST data-sets/inspections?folder=1&dates=MONTH_FIRST&decimalMark=COMMA": inspection,
    "GET sources": [{ id: 5, name: "Booking desk", kind: "DATABASE" }],
    "POST data-sets/samples": { ...inspection, file: null, columns: inspection.columns.slice(1) },
    "PUT data-sets/1/plan": {},
    "PUT data-sets/1/personal": null,
    "POST data-sets": line,
    "POST data-sets/1/loads?dates=MONTH_FIRST&decimalMark=COMMA": load,
  });
});
afterEach(() => vi.unstubAllGlobals());

const open = (address: string) =>
  show(
    <SignedIn>
      <Routes>
        <Route path="/data" element={<DataSetsPage />} />
        <Route path="/data/new" element={<NewDataSetPage />} />
        <Route path="/data/:id" element={<DataSetPage />} />
      </Routes>
    </SignedIn>,
    address,
  );

const file = () => new File(["day;boats\n3/4/2026;two\n"], "berths.csv");

describe("data sets", () => {
  it("say how fresh each is, who sees what of it, and what is made of it", async () => {
    open("/data");
    expect(
      await screen.findByText("45 110 rows, figures to Tue 24 Nov, loaded Wed 25 Nov, 05:40"),
    ).toBeVisible();
    expect(screen.getByText("2 reports are made of it · each sees their own route")).toBeVisible();
    expect(screen.getByText("Nothing has been loaded yet.")).toBeVisible();
    expect(await screen.findByRole("link", { name: "New data set" })).toHaveAttribute("href", "/data/new");
  });

  it("offer no new one to somebody who may publish nowhere, and say why", async () => {
    mayPublish = false;
    open("/data/new");
    expect(await screen.findByText(/You may not publish in any folder/)).toBeVisible();
  });
});

describe("a data set", () => {
  it("says why its last load failed, what the loads came to, and what of its rules fits nothing", async () => {
    open("/data/1");
    expect(await screen.findByRole("alert")).toHaveTextContent(
      "line 4: much The figures loaded before are still in use.",
    );
    expect(screen.getByText("45 110 rows to Tue 24 Nov, 68 fewer")).toBeVisible();
    expect(screen.getByText("No row has 6 Old pier.")).toBeVisible();
    expect(screen.getByText("Issues show each recipient their own rows, always.")).toBeVisible();
    expect(screen.getByRole("link", { name: "Cancelled sailings" })).toHaveAttribute("href", "/reports/1");
  });

  it("looks up what one person sees", async () => {
    open("/data/1");
    await userEvent.selectOptions(
      await screen.findByLabelText("Person"),
      await screen.findByText("Ida Solvang"),
    );
    expect(await screen.findByText("Sees 1 of 45 110 rows.")).toBeVisible();
    expect(screen.getByText("route: 3")).toBeVisible();
  });

  it("tells each row of a file that does not fit, and offers to try again", async () => {
    open("/data/1");
    await userEvent.upload(await screen.findByLabelText("Drop a CSV file here"), file());
    expect(await screen.findByText("line 3: so")).toBeVisible();
    expect(screen.getByRole("button", { name: "Try again" })).toBeVisible();
  });
});

describe("personal columns", () => {
  it("are said, and changed by ticks", async () => {
    open("/data/1");
    await userEvent.click(await screen.findByRole("button", { name: "change which" }));
    expect(screen.getByRole("checkbox", { name: "route" })).toBeChecked();
    await userEvent.click(screen.getByRole("checkbox", { name: "date" }));
    await userEvent.click(screen.getByRole("button", { name: "Keep these" }));
    await waitFor(() =>
      expect(asked.find(({ path }) => path.endsWith("/personal"))?.body).toEqual({
        columns: ["route", "date"],
      }),
    );
  });
});

describe("a new data set", () => {
  it("is kept only once it is said how ambiguous days and numbers are meant, and then with that", async () => {
    open("/data/new");
    await userEvent.upload(await screen.findByLabelText("Drop a CSV file here"), file());
    expect(await screen.findByText(/1 value does not fit its type, the first in row 1/)).toBeVisible();
    expect(screen.getByRole("button", { name: "Keep data set" })).toBeDisabled();
    expect(screen.getByText("Say first which is meant.")).toBeVisible();
    await userEvent.click(screen.getByLabelText("month first, 11/25/2026"));
    expect(screen.getByRole("button", { name: "Keep data set" })).toBeDisabled();
    await userEvent.click(screen.getByLabelText("1.234,50 (a comma before decimals)"));
    await userEvent.click(await screen.findByRole("button", { name: "Keep data set" }));
    expect(await screen.findByRole("heading", { name: "sailings" })).toBeVisible();
    expect(asked.find((one) => one.method === "POST" && one.path === "data-sets")?.body).toMatchObject({
      name: "berths",
      folder: 1,
      dateColumn: "day",
    });
    expect(asked.some((one) => one.path === "data-sets/1/loads?dates=MONTH_FIRST&decimalMark=COMMA")).toBe(
      true,
    );
  });
});

describe("rows from a source", () => {
  const byQuery = async () => {
    await userEvent.click(await screen.findByLabelText("a query on a database"));
    await userEvent.selectOptions(await screen.findByLabelText("Source"), "Booking desk");
    await userEvent.type(screen.getByLabelText("Query (SQL)"), "SELECT boats FROM berth");
  };

  it("are looked at when that is asked for, and kept with when they are loaded", async () => {
    open("/data/new");
    await byQuery();
    await userEvent.click(screen.getByRole("button", { name: "Look at its rows" }));
    await userEvent.click(await screen.findByLabelText("every day at"));
    await userEvent.click(screen.getByRole("button", { name: "Keep data set" }));
    expect(await screen.findByRole("heading", { name: "sailings" })).toBeVisible();
    expect(asked.find((one) => one.method === "POST" && one.path === "data-sets")?.body).toMatchObject({
      name: "Booking desk",
      plan: {
        origin: { kind: "QUERY", source: 5, ask: "SELECT boats FROM berth" },
        times: { kind: "DAILY", at: "05:30", zone: "Europe/Oslo" },
      },
    });
  });

  it("take the place of files that people send, once it is said whence and when", async () => {
    open("/data/1");
    await userEvent.click(
      await screen.findByRole("button", { name: "change where they come from, when, and what is held back" }),
    );
    await byQuery();
    await userEvent.click(screen.getByLabelText("every so many minutes"));
    await userEvent.click(screen.getByRole("button", { name: "Keep it so" }));
    expect(await screen.findByText("Kept; it holds from now on.")).toBeVisible();
    expect(asked.find((one) => one.method === "PUT")?.body).toMatchObject({
      origin: { kind: "QUERY", source: 5 },
      times: { kind: "EVERY", minutes: 15 },
    });
  });
});
