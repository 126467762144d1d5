import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { address, type Api } from "../api/client";
import { withBehind } from "../kit/behind";
import { AS_PUBLISHED, writeCut, type Cut, type Layout } from "../kit/cut";
import { ReportPage } from "../kit/ReportPage";
import type { Live } from "../kit/rows";
import { words } from "../words";

interface Props {
  view: Api["ClipView"];
  earlier?: () => void;
  later?: () => void;
  takeOut: () => void;
}

/** One block out of a report, with where it is from; what it does there it does here. */
export function ClipBlock({ view, earlier, later, takeOut }: Props) {
  const { clip, shown } = view;
  const navigate = useNavigate();
  const [layout, setLayout] = useState<Layout>(AS_PUBLISHED);
  const cut: Cut = { page: clip.page, period: clip.period, filters: clip.filters, tables: {} };
  const live: Live = {
    file: (kind, block) => {
      const asked = writeCut(cut);
      asked.set("kind", kind);
      asked.set("block", block);
      return address(`reports/${clip.report}/file?${asked}`);
    },
    behind: (what) => void navigate(`/reports/${clip.report}?${withBehind(writeCut(cut), what)}`),
    table: (block) => ({ rows: { report: clip.report, cut, block, layout }, lay: setLayout }),
  };
  const isWide = shown?.page.tables.some((table) => table.ofData) ?? false;
  return (
    <section
      aria-label={view.title || words.clippings.gone}
      className={`border-base-300 min-w-0 border-t py-3 ${isWide ? "lg:col-span-2" : ""}`}
    >
      <p className="flex flex-wrap items-baseline gap-x-4 gap-y-1 text-xs">
        {view.title ? (
          <Link className="choose" to={`/reports/${clip.report}?${writeCut(cut)}`}>
            {view.title}
          </Link>
        ) : (
          <span>{words.clippings.gone}</span>
        )}
        {shown && (
          <span className="text-quiet">
            {shown.page.showing} · {shown.page.freshness}
          </span>
        )}
        <span className="ml-auto flex gap-x-4 print:hidden">
          {earlier && <Act text={words.clippings.earlier} act={earlier} of={view.title} />}
          {later && <Act text={words.clippings.later} act={later} of={view.title} />}
          <Act text={words.clippings.takeOut} act={takeOut} of={view.title} />
        </span>
      </p>
      {shown ? <ReportPage view={shown} live={live} /> : <p className="text-late py-4">{view.gone}</p>}
    </section>
  );
}

function Act({ text, act, of }: { text: string; act: () => void; of: string }) {
  return (
    <button type="button" className="choose" aria-label={`${text}: ${of}`} onClick={act}>
      {text}
    </button>
  );
}
