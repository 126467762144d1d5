import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../__tests__/render";
import { RowsTable } from "./RowsTable";

afterEach(cleanup);

const COLUMNS = ["date", "route", "cause"].map((column) => ({ column, title: column, type: "TEXT" }));
const ALL = 1_000_000;

/** The stretch of a million rows that begins at a place. */
function stretch(from: number, columns = COLUMNS) {
  return {
    of: [],
    load: 1,
    columns,
    offered: COLUMNS,
    from,
    table: {
      id: "",
      title: "",
      heads: columns.map(({ title }) => ({ title, number: false })),
      ofData: true,
      keys: [],
      count: ALL,
      rows: Array.from({ length: 200 }, (_, i) =>
        columns.map(({ column }) => ({ text: `${column} ${from + i}` })),
      ),
      total: [],
    },
  };
}

const PATH = "GET reports/1/rows?period=last-week&block=b1";
const rows = {
  report: 1,
  cut: { page: "", period: "last-week", filters: [], tables: {} },
  block: "b1",
  layout: { sort: "", descending: false, columns: [] },
};

it("a million rows are read as they are come to, and few are drawn", async () => {
  const asked = serve({ [PATH]: stretch(0), [`${PATH}&from=999800`]: stretch(999_800) });
  show(<RowsTable title="Every sailing" rows={rows} lay={vi.fn()} />);
  expect(await screen.findByText("date 0")).toBeVisible();
  expect(screen.getByText("1 000 000 rows")).toBeVisible();
  const table = screen.getByRole("table", { name: "Every sailing" });
  expect(within(table).getAllByRole("row").length).toBeLessThan(60);
  const box = screen.getByRole("region", { name: "Every sailing, to be scrolled" });
  fireEvent.scroll(box, { target: { scrollTop: 8_000_000 } });
  expect(await screen.findByText("date 999999")).toBeVisible();
  expect(asked.filter(({ path }) => path.includes("rows?"))).toHaveLength(2);
});

it("rows of the load before are read again when some of a newer one come", async () => {
  let load = 1;
  const asked = serve({
    [PATH]: () => ({ ...stretch(0), load }),
    [`${PATH}&from=200`]: () => ({ ...stretch(200), load }),
  });
  show(<RowsTable title="Sailings" rows={rows} lay={vi.fn()} />);
  expect(await screen.findByText("date 0")).toBeVisible();
  load = 2;
  const box = screen.getByRole("region", { name: "Sailings, to be scrolled" });
  fireEvent.scroll(box, { target: { scrollTop: (195 * 32) / 4 } });
  expect(await screen.findByText("date 203")).toBeVisible();
  await waitFor(() => expect(asked.filter(({ path }) => `GET ${path}` === PATH)).toHaveLength(2));
});

it("heads sort, and columns are chosen and moved", async () => {
  const lay = vi.fn();
  serve({ [PATH]: stretch(0), [`${PATH}&sort=route`]: stretch(0) });
  show(<RowsTable title="Sailings" rows={rows} lay={lay} />);
  await userEvent.click(await screen.findByRole("button", { name: "route" }));
  expect(lay).toHaveBeenLastCalledWith({ sort: "route", descending: false, columns: [] });
  await userEvent.click(screen.getByRole("button", { name: "all columns" }));
  await userEvent.click(screen.getByLabelText("cause"));
  expect(lay).toHaveBeenLastCalledWith({ sort: "", descending: false, columns: ["date", "route"] });
  await userEvent.click(screen.getByRole("button", { name: "route: further to the left" }));
  expect(lay).toHaveBeenLastCalledWith({ sort: "", descending: false, columns: ["route", "date", "cause"] });
});

it("a head that sorts already turns about, and then sorts no more", async () => {
  const lay = vi.fn();
  serve({ [`${PATH}&sort=route&descending=true`]: stretch(0) });
  show(
    <RowsTable
      title="Sailings"
      rows={{ ...rows, layout: { sort: "route", descending: true, columns: [] } }}
      lay={lay}
    />,
  );
  expect(await screen.findByRole("columnheader", { name: /route/ })).toHaveAttribute(
    "aria-sort",
    "descending",
  );
  await userEvent.click(screen.getByRole("button", { name: "route" }));
  expect(lay).toHaveBeenLastCalledWith({ sort: "", descending: false, columns: [] });
});

it("rows are copied as text with their heads", async () => {
  serve({ [PATH]: stretch(0) });
  const user = userEvent.setup();
  show(<RowsTable title="Sailings" rows={rows} lay={vi.fn()} />);
  await screen.findByText("date 0");
  await user.click(screen.getByRole("button", { name: "copy as text" }));
  await waitFor(() => expect(screen.getByText(/The first 200 of/)).toBeVisible());
  expect(await navigator.clipboard.readText()).toMatch(/^date\troute\tcause\ndate 0\troute 0\tcause 0\n/);
});
