import type { Api } from "../api/client";
import { ChartBlock } from "./Drawing";
import { Figures } from "./Figures";
import type { Live } from "./rows";
import { RowsTable } from "./RowsTable";
import { TableBlock } from "./TableBlock";
import { words } from "../words";

type View = Api["PageView"];
type Page = Api["Page"];

const WIDEST_HALF = 6;

interface Props {
  view: View;
  /** What can be done with it; without, it is only looked at. */
  live?: Live;
}

/** A page of a report with its figures filled in: live in the reader, as it was kept in an issue. */
export function ReportPage({ view, live }: Props) {
  const { page, drawings } = view;
  return (
    <div className="@container space-y-6 py-4">
      {rows(page).map((row, i, all) => (
        <div
          key={row.join()}
          className={`border-base-300 grid gap-x-12 gap-y-6 ${
            i === 0 || isSection(all[i - 1], page) ? "" : "border-t pt-4"
          } ${row.length === 2 && !isFigures(row, page) ? "@4xl:grid-cols-2" : ""}`}
        >
          <Row ids={row} page={page} drawings={drawings} live={live} />
        </div>
      ))}
    </div>
  );
}

const isFigures = (row: string[], page: Page) => page.figures.some((figure) => figure.id === row[0]);

/** What stands under a section's head belongs to it. */
const isSection = (row: string[] | undefined, page: Page) =>
  page.sections.some((section) => section.id === row?.[0]);

interface PartProps {
  page: Page;
  drawings: View["drawings"];
  live?: Live;
}

function Row({ ids, page, drawings, live }: PartProps & { ids: string[] }) {
  const figures = page.figures.filter((figure) => ids.includes(figure.id));
  if (figures.length > 0) {
    return <Figures figures={figures} drawings={drawings} behind={live?.behind} />;
  }
  return ids.map((id) => <Block key={id} id={id} page={page} drawings={drawings} live={live} />);
}

function Block({ id, page, drawings, live }: PartProps & { id: string }) {
  const chart = page.charts.find((each) => each.id === id);
  const drawing = drawings[id];
  if (chart?.nothing) {
    return (
      <div className="min-w-0">
        <h3>{chart.title}</h3>
        <p className="text-quiet first-letter:uppercase">{chart.nothing}</p>
      </div>
    );
  }
  if (chart && drawing) {
    return (
      <div className="min-w-0">
        <ChartBlock
          title={chart.title}
          drawing={drawing}
          behind={live?.behind && ((key) => live.behind?.({ block: id, keys: [key] }))}
        />
        {live && <TakeAlong kind="PNG" href={live.file("PNG", id)} title={chart.title} />}
      </div>
    );
  }
  const table = page.tables.find((each) => each.id === id);
  if (table?.ofData && live) {
    return (
      <>
        <RowsTable title={table.title} {...live.table(id)} />
        <div className="hidden print:block">
          <TableBlock table={table} />
        </div>
      </>
    );
  }
  if (table) {
    return (
      <div className="min-w-0">
        <TableBlock table={table} behind={live?.behind && ((keys) => live.behind?.({ block: id, keys }))} />
        {live && <TakeAlong kind="CSV" href={live.file("CSV", id)} title={table.title} />}
      </div>
    );
  }
  const section = page.sections.find((each) => each.id === id);
  if (section) {
    return (
      <header>
        <h2 className="text-lg">{section.title}</h2>
        <p className="text-quiet text-sm first-letter:uppercase">{section.showing}</p>
      </header>
    );
  }
  const text = page.texts.find((each) => each.id === id);
  return text ? (
    <div className="max-w-prose min-w-0">
      <h3>{text.title}</h3>
      <p className="whitespace-pre-line">{text.text}</p>
    </div>
  ) : null;
}

function TakeAlong({ kind, href, title }: { kind: "CSV" | "PNG"; href: string; title: string }) {
  return (
    <a
      className="choose text-xs print:hidden"
      href={href}
      download
      aria-label={words.reader.take(title, kind)}
    >
      {kind}
    </a>
  );
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
