import { fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Api } from "../api/client";
import { ProblemError } from "../api/client";
import { MARIT, serve, show, SignedIn } from "../__tests__/render";
import { Choices } from "./Choices";
import { ChartBlock } from "./Drawing";
import { Fault } from "./Fault";
import type { Filter } from "./cut";
import { FilterEditor } from "./FilterEditor";
import { Frame } from "./Frame";
import { useNotice } from "./Notices";
import { PartOf } from "./PartOf";
import { PeriodEditor } from "./PeriodEditor";
import { ReportPage } from "./ReportPage";
import { Sheet } from "./Sheet";
import { useEscape } from "./useEscape";
import { Legend, SpineLink } from "./Spine";

afterEach(() => vi.unstubAllGlobals());

describe("choices in a line", () => {
  it("mark what is current and offer the rest", async () => {
    const choose = vi.fn();
    const choices = [
      { value: "ALL", text: "everything" },
      { value: "MINE", text: "mine" },
    ];
    show(<Choices label="Whose" choices={choices} current="ALL" choose={choose} />);
    expect(screen.getByRole("button", { name: "everything" })).toHaveAttribute("aria-pressed", "true");
    await userEvent.click(screen.getByRole("button", { name: "mine" }));
    expect(choose).toHaveBeenCalledWith("MINE");
  });
});

describe("a fault", () => {
  it("says what happened, what it means and what to do, and each fault of a form", () => {
    const problem = {
      status: 422,
      code: "x",
      happened: "Rows failed.",
      means: "None was kept.",
      todo: "Mend.",
      faults: [{ field: "line 2", message: "line 2" }],
    };
    show(<Fault error={new ProblemError(problem)} />);
    const said = screen.getByRole("alert");
    expect(said).toHaveTextContent("Rows failed.None was kept. Mend.line 2");
  });

  it("says nothing where there is none", () => {
    show(<Fault error={null} />);
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("of the page itself is said too", () => {
    show(<Fault error={new Error("undefined is not a function")} />);
    expect(screen.getByRole("alert")).toHaveTextContent("This did not work.");
  });
});

describe("a sheet", () => {
  it("takes the focus, closes at Escape and gives the focus back", async () => {
    function Page() {
      const [open, setOpen] = useState(false);
      return (
        <>
          <button onClick={() => setOpen(true)}>open it</button>
          {open && (
            <Sheet label="Details" close={() => setOpen(false)}>
              <p>inside</p>
            </Sheet>
          )}
        </>
      );
    }
    show(<Page />);
    await userEvent.click(screen.getByRole("button", { name: "open it" }));
    expect(screen.getByRole("dialog", { name: "Details" })).toHaveFocus();
    await userEvent.keyboard("{Escape}");
    expect(screen.queryByRole("dialog")).toBeNull();
    expect(screen.getByRole("button", { name: "open it" })).toHaveFocus();
  });
});

describe("Escape", () => {
  it("closes what was opened last, wherever the focus is", async () => {
    const Editor = ({ close }: { close: () => void }) => {
      useEscape(close);
      return <p>an editor</p>;
    };
    function Page() {
      const [editor, setEditor] = useState(true);
      const [sheet, setSheet] = useState(false);
      return (
        <>
          {editor && <Editor close={() => setEditor(false)} />}
          <button onClick={() => setSheet(true)}>open it</button>
          {sheet && (
            <Sheet label="Details" close={() => setSheet(false)}>
              <p>inside</p>
            </Sheet>
          )}
        </>
      );
    }
    show(<Page />);
    await userEvent.click(screen.getByRole("button", { name: "open it" }));
    await userEvent.keyboard("{Escape}");
    expect(screen.queryByRole("dialog")).toBeNull();
    expect(screen.getByText("an editor")).toBeVisible();
    await userEvent.keyboard("{Escape}");
    expect(screen.queryByText("an editor")).toBeNull();
  });
});

describe("a notice", () => {
  function Page({ undo }: { undo: () => void }) {
    const say = useNotice();
    return <button onClick={() => say({ text: "Ida is off.", undo })}>take off</button>;
  }

  it("offers to take the thing back, once", async () => {
    const undo = vi.fn();
    show(<Page undo={undo} />);
    await userEvent.click(screen.getByRole("button", { name: "take off" }));
    expect(screen.getByRole("status")).toHaveTextContent("Ida is off.");
    await userEvent.click(screen.getByRole("button", { name: "Undo" }));
    expect(undo).toHaveBeenCalledOnce();
    expect(screen.getByRole("status")).toBeEmptyDOMElement();
  });

  it("goes by itself after a while", () => {
    vi.useFakeTimers();
    show(<Page undo={vi.fn()} />);
    fireEvent.click(screen.getByRole("button", { name: "take off" }));
    expect(screen.getByRole("status")).not.toBeEmptyDOMElement();
    vi.advanceTimersByTime(21_000);
    vi.useRealTimers();
    return waitFor(() => expect(screen.getByRole("status")).toBeEmptyDOMElement());
  });
});

describe("a part of a sentence", () => {
  it("is opened by mouse, Enter and space", async () => {
    const toggle = vi.fn();
    show(
      <PartOf open={false} toggle={toggle}>
        last week
      </PartOf>,
    );
    const part = screen.getByRole("button", { name: "last week" });
    expect(part).toHaveAttribute("aria-expanded", "false");
    await userEvent.click(part);
    part.focus();
    await userEvent.keyboard("{Enter} x");
    expect(toggle).toHaveBeenCalledTimes(3);
  });
});

describe("a period", () => {
  const periods = [
    { code: "last-week", words: "last week", days: "16–22 Nov 2026" },
    { code: "last-month", words: "last month", days: "1–31 Oct 2026" },
  ];

  it("shows the dates that it means, and is chosen by its name", async () => {
    const choose = vi.fn();
    show(<PeriodEditor byTime={false} periods={periods} current="last-week" choose={choose} />);
    expect(screen.getByText("1–31 Oct 2026")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "last month" }));
    expect(choose).toHaveBeenCalledWith("last-month");
  });

  it("may be fixed dates, in their order", () => {
    const choose = vi.fn();
    show(<PeriodEditor byTime={false} periods={periods} current="2026-11-01/2026-11-10" choose={choose} />);
    expect(screen.getByLabelText("From")).toHaveValue("2026-11-01");
    fireEvent.change(screen.getByLabelText("To"), { target: { value: "2026-11-12" } });
    expect(screen.getByLabelText("To")).toHaveAttribute("min", "2026-11-01");
    fireEvent.submit(screen.getByRole("form", { name: "Fixed dates" }));
    expect(choose).toHaveBeenCalledWith("2026-11-01/2026-11-12");
  });
});

describe("a period of so many spans", () => {
  it("tells what it means before it is chosen", async () => {
    const choose = vi.fn();
    serve({
      "GET periods/last-4-weeks": { code: "", words: "the last 4 weeks", days: "26 Oct – 22 Nov 2026" },
      "GET periods/past-12-months": {
        code: "",
        words: "the past 12 months",
        days: "26 Nov 2025 – 25 Nov 2026",
      },
    });
    show(<PeriodEditor byTime={false} periods={[]} current="last-4-weeks" choose={choose} />);
    expect(await screen.findByText("the last 4 weeks: 26 Oct – 22 Nov 2026")).toBeVisible();
    const count = screen.getByRole("spinbutton", { name: "The last" });
    await userEvent.clear(count);
    await userEvent.type(count, "12");
    await userEvent.selectOptions(screen.getByLabelText("Days, weeks or the like"), "months");
    await userEvent.selectOptions(
      screen.getByLabelText("With or without the current one"),
      "counted back from yesterday",
    );
    expect(await screen.findByText("the past 12 months: 26 Nov 2025 – 25 Nov 2026")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Use these" }));
    expect(choose).toHaveBeenCalledWith("past-12-months");
  });
});

describe("a period of figures by the hour", () => {
  it("is so many hours, or of days that begin at another time", async () => {
    const choose = vi.fn();
    serve({
      "GET periods/last-24-hours": {
        code: "",
        words: "the last 24 full hours",
        days: "24 Nov, 07:00 – 25 Nov, 07:00",
      },
      "GET periods/yesterday%4004%3A00": { code: "", words: "yesterday, days from 04:00", days: "24 Nov" },
    });
    show(<PeriodEditor byTime periods={[]} current="last-24-hours" choose={choose} />);
    expect(await screen.findByText("the last 24 full hours: 24 Nov, 07:00 – 25 Nov, 07:00")).toBeVisible();
    expect(screen.queryByLabelText("Days begin at")).toBeNull();
    await userEvent.selectOptions(screen.getByLabelText("Days, weeks or the like"), "day");
    fireEvent.change(screen.getByRole("spinbutton", { name: "The last" }), { target: { value: "1" } });
    fireEvent.change(screen.getByLabelText("Days begin at"), { target: { value: "04:00" } });
    expect(await screen.findByText("yesterday, days from 04:00: 24 Nov")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Use these" }));
    expect(choose).toHaveBeenCalledWith("yesterday@04:00");
  });

  it("may be fixed times", () => {
    const choose = vi.fn();
    serve({});
    show(<PeriodEditor byTime periods={[]} current="2026-11-01/2026-11-01" choose={choose} />);
    expect(screen.getByLabelText("To")).toHaveValue("2026-11-02T00:00");
    fireEvent.change(screen.getByLabelText("From"), { target: { value: "2026-11-01T18:00" } });
    fireEvent.submit(screen.getByRole("form", { name: "Fixed times" }));
    expect(choose).toHaveBeenCalledWith("2026-11-01T18:00/2026-11-02T00:00");
  });
});

describe("a filter", () => {
  const vessel = { column: "vessel", title: "Vessel", type: "TEXT" as const, first: true };
  const delay = { column: "delay", title: "Delay", type: "NUMBER" as const, first: false };
  const measures = [{ id: "gone", title: "Cancelled" }];
  const filters: Filter[] = [{ column: "vessel", test: "ANY_OF", values: ["Vessel 3", "Sunk"] }];
  const cut = { page: "", period: "last-week", filters, tables: {} };
  const values = Array.from({ length: 14 }, (_, i) => ({ value: `Vessel ${i + 1}`, rows: 1000 + i }));
  const asked = "GET reports/1/values?period=last-week&filter=vessel%3AVessel+3&filter=vessel%3ASunk&column=";
  const editor = (column: typeof vessel | typeof delay, filter: Filter | undefined, change: () => void) => {
    serve({
      [`${asked}vessel`]: { values, others: 2, least: "", greatest: "" },
      [`${asked}vessel&words=1`]: { values: values.filter(({ value }) => value.includes("1")), others: 0 },
      [`${asked}delay`]: { values: [], others: 0, least: "-3", greatest: "141" },
    });
    return show(
      <FilterEditor
        report={1}
        slot={{ key: "", column, filter }}
        measures={measures}
        cut={cut}
        change={change}
      />,
    );
  };

  it("offers what occurs with its rows, keeps what is chosen, and is found by typing", async () => {
    const change = vi.fn();
    editor(vessel, filters[0], change);
    expect(await screen.findByLabelText("Sunk")).toBeChecked();
    expect(screen.getByLabelText("Vessel 3")).toBeChecked();
    expect(screen.getByText("1 013")).toBeVisible();
    await userEvent.type(screen.getByRole("searchbox", { name: "Find a vessel" }), "1");
    await waitFor(() => expect(screen.queryByLabelText("Vessel 2")).toBeNull());
    await userEvent.click(screen.getByLabelText("Vessel 11"));
    expect(change).toHaveBeenCalledWith({ ...filters[0], values: ["Sunk", "Vessel 11", "Vessel 3"] });
    await userEvent.click(screen.getByRole("button", { name: "All, whatever the vessel" }));
    expect(change).toHaveBeenLastCalledWith(null);
  });

  it("may be by a part of the text, by the most of a measure, or by having none", async () => {
    const change = vi.fn();
    editor(vessel, undefined, change);
    await userEvent.click(screen.getByRole("button", { name: "has in it" }));
    await userEvent.type(screen.getByLabelText("The text has in it"), "tern{Enter}");
    expect(change).toHaveBeenLastCalledWith({ column: "vessel", test: "CONTAINS", values: ["tern"] });
    await userEvent.click(screen.getByRole("button", { name: "has the most of" }));
    await userEvent.click(screen.getByRole("button", { name: "Narrow to these" }));
    expect(change).toHaveBeenLastCalledWith({ column: "vessel", test: "TOP", values: ["5", "gone"] });
    await userEvent.click(screen.getByRole("button", { name: "is missing" }));
    expect(change).toHaveBeenLastCalledWith({ column: "vessel", test: "EMPTY", values: [] });
  });

  it("on numbers tells what occurs and takes either bound", async () => {
    const change = vi.fn();
    editor(delay, undefined, change);
    expect(await screen.findByText("From -3 to 141 occur.")).toBeVisible();
    await userEvent.type(screen.getByLabelText("From"), "10{Enter}");
    expect(change).toHaveBeenLastCalledWith({ column: "delay", test: "BETWEEN", values: ["10", ""] });
  });
});

const chart: Api["ChartSvg"] = {
  svg: "<svg></svg>",
  width: 100,
  height: 50,
  marks: [
    { x: 0, y: 0, width: 50, height: 50, key: "2026-10-05", label: "5 Oct: wind 70" },
    { x: 50, y: 0, width: 50, height: 50, key: "2026-10-12", label: "12 Oct: wind 1" },
  ],
};

describe("a chart", () => {
  it("tells the values of the mark that the arrow keys stand on", async () => {
    show(<ChartBlock title="Cancelled" drawing={chart} />);
    screen.getByRole("group", { name: /Chart: Cancelled/ }).focus();
    const said = screen.getAllByRole("status")[0];
    await waitFor(() => expect(said).toHaveTextContent("12 Oct: wind 1"));
    await userEvent.keyboard("{ArrowLeft}{ArrowLeft}");
    expect(said).toHaveTextContent("5 Oct: wind 70");
    await userEvent.keyboard("{End}");
    expect(said).toHaveTextContent("12 Oct: wind 1");
  });

  it("tells the values of the mark under the pointer", () => {
    const { container } = show(<ChartBlock title="Cancelled" drawing={chart} />);
    const mark = container.querySelector("[data-mark='5 Oct: wind 70']");
    if (mark) fireEvent.mouseEnter(mark);
    expect(screen.getByText("5 Oct: wind 70")).toBeVisible();
  });

  it("leads to the rows behind a mark, by pointer and by key", async () => {
    const behind = vi.fn();
    const { container } = show(<ChartBlock title="Cancelled" drawing={chart} behind={behind} />);
    const mark = container.querySelector("[data-mark='5 Oct: wind 70']");
    if (mark) fireEvent.click(mark);
    expect(behind).toHaveBeenLastCalledWith("2026-10-05");
    screen.getByRole("group", { name: /Chart: Cancelled/ }).focus();
    await userEvent.keyboard("{End}{Enter}");
    expect(behind).toHaveBeenLastCalledWith("2026-10-12");
  });
});

describe("a page of a report", () => {
  const figure = (id: string, title: string): Api["Figure"] => ({
    id,
    title,
    value: "11",
    change: "2 less than the week before",
    shortChange: "2 less",
    verdict: "BETTER",
    verdictWords: "better",
    trend: [],
  });
  const page: Api["Page"] = {
    report: "Cancelled sailings",
    id: "overview",
    title: "Overview",
    number: 1,
    showing: "",
    freshness: "",
    rows: 1,
    figures: [figure("f1", "Cancelled"), figure("f2", "Share")],
    charts: [
      {
        id: "c1",
        title: "By cause",
        kind: "BARS",
        overTime: true,
        keys: [],
        categories: [],
        series: [],
        ticks: [],
        partly: -1,
        nothing: "",
      },
    ],
    tables: [
      {
        id: "t1",
        title: "By route",
        heads: [
          { title: "Route", number: false, wraps: false },
          { title: "Change", number: true, wraps: false },
        ],
        ofData: false,
        keys: [["1 Ness–Hovden"]],
        count: 1,
        rows: [
          [
            { text: "1 Ness–Hovden", verdict: "NEITHER", weight: "PLAIN" },
            { text: "• −5", verdict: "BETTER", weight: "BEYOND" },
          ],
        ],
        total: [],
        note: "• change under −3",
      },
      {
        id: "t2",
        title: "Nothing",
        heads: [{ title: "Route", number: false, wraps: false }],
        ofData: true,
        keys: [],
        count: 0,
        rows: [],
        total: [],
        note: "",
      },
    ],
    texts: [{ id: "x1", title: "A note", text: "Terna is in dock." }],
    sections: [],
    order: ["f1", "f2", "c1", "t1", "x1", "t2"],
  };

  it("shows every block, in words and figures as they were given", () => {
    show(<ReportPage view={{ page, drawings: { c1: chart } }} />);
    expect(screen.getByText("2 less than the week before", { exact: false })).toHaveTextContent("better");
    expect(screen.getByRole("group", { name: /Chart: By cause/ })).toBeVisible();
    expect(screen.getByRole("table", { name: "By route" })).toHaveTextContent("1 Ness–Hovden• −5");
    expect(screen.getByText("• change under −3")).toBeVisible();
    expect(screen.getByText("Terna is in dock.")).toBeVisible();
    expect(screen.getByText("No rows in this period.")).toBeVisible();
  });
});

describe("spines", () => {
  it("say in words what their shape says", () => {
    const spine = { id: 8, number: 8, state: "PARTLY" as const, at: "", days: "", note: "No. 8, 16–22 Nov" };
    show(<SpineLink spine={spine} width={15} height={46} />);
    expect(screen.getByRole("link", { name: "No. 8, 16–22 Nov, partly delivered" })).toHaveAttribute(
      "href",
      "/issues/8",
    );
  });

  it("are explained in a legend", () => {
    show(<Legend />);
    expect(screen.getAllByRole("listitem").map((item) => item.textContent)).toEqual([
      "unread",
      "read",
      "sent to others only",
      "skipped",
      "partly delivered",
      "failed",
      "being made",
      "to come",
    ]);
  });
});

describe("the frame", () => {
  it("has the house only for administrators and the mail room only in the demo, and tells the next send", async () => {
    serve({ "GET subscriptions/next": { at: "2026-11-30T06:00:00Z", now: "2026-11-25T09:00:00Z" } });
    show(
      <SignedIn>
        <Frame me={MARIT} demo={false} />
      </SignedIn>,
    );
    expect(await screen.findByText("next: Mon 07:00, in 5 days")).toBeVisible();
    expect(screen.queryByRole("link", { name: "House" })).toBeNull();
    expect(screen.queryByRole("link", { name: "Mail room" })).toBeNull();
    expect(screen.getAllByRole("link", { name: "Library" })).toHaveLength(2);
  });
});
