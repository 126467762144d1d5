import type { Api } from "../api/client";
import { ChartBlock } from "./Drawing";
import { Figures } from "./Figures";
import { TableBlock } from "./TableBlock";

type View = Api["PageView"];
type Page = Api["Page"];

const WIDEST_HALF = 6;

/** A page of a report with its figures filled in: live in the reader, as it was kept in an issue. */
export function ReportPage({ view }: { view: View }) {
  const { page, drawings } = view;
  return (
    <div className="@container space-y-6 py-4">
      {rows(page).map((row) => (
        <div
          key={row.join()}
          className={`border-base-300 grid gap-x-12 gap-y-6 border-t pt-4 first:border-t-0 first:pt-0 ${
            row.length === 2 ? "@4xl:grid-cols-2" : ""
          }`}
        >
          <Row ids={row} page={page} drawings={drawings} />
        </div>
      ))}
    </div>
  );
}

function Row({ ids, page, drawings }: { ids: string[]; page: Page; drawings: View["drawings"] }) {
  const figures = page.figures.filter((figure) => ids.includes(figure.id));
  if (figures.length > 0) {
    return <Figures figures={figures} drawings={drawings} />;
  }
  return ids.map((id) => <Block key={id} id={id} page={page} drawings={drawings} />);
}

function Block({ id, page, drawings }: { id: string; page: Page; drawings: View["drawings"] }) {
  const chart = page.charts.find((each) => each.id === id);
  const drawing = drawings[id];
  if (chart && drawing) {
    return <ChartBlock title={chart.title} drawing={drawing} />;
  }
  const table = page.tables.find((each) => each.id === id);
  if (table) {
    return <TableBlock table={table} />;
  }
  const text = page.texts.find((each) => each.id === id);
  return text ? (
    <div className="max-w-prose min-w-0">
      <h3>{text.title}</h3>
      <p className="whitespace-pre-line">{text.text}</p>
    </div>
  ) : null;
}

/** Figures that follow each other stand in one row; a chart and what it stands beside (a narrow table, another chart) in another. */
function rows(page: Page): string[][] {
  const figures = new Set(page.figures.map((figure) => figure.id));
  const charts = new Set(page.charts.map((chart) => chart.id));
  const narrow = new Set(
    page.tables.filter((table) => table.heads.length <= WIDEST_HALF).map((table) => table.id),
  );
  const rows: string[][] = [];
  let last = "";
  for (const id of page.order) {
    const row = rows.at(-1);
    const joinsFigures = figures.has(id) && figures.has(last);
    const joinsChart = (narrow.has(id) || charts.has(id)) && charts.has(last) && row?.length === 1;
    if (row && (joinsFigures || joinsChart)) {
      row.push(id);
    } else {
      rows.push([id]);
    }
    last = id;
  }
  return rows;
}
