import { useState } from "react";
import type { Api } from "../api/client";
import { NarrowingEditor, NarrowingParts } from "../kit/Narrowing";
import { PartOf } from "../kit/PartOf";
import { PeriodEditor } from "../kit/PeriodEditor";
import { useEscape } from "../kit/useEscape";
import { words } from "../words";
import type { Cut } from "../kit/cut";

interface Props {
  view: Api["ReaderView"];
  cut: Cut;
  set: (change: Partial<Cut>) => void;
}

const PERIOD = "period";

/** What the page is cut to, as a sentence; each dotted part opens its editor right under it. */
export function CutSentence({ view, cut, set }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  useEscape(() => setOpen(null), open !== null);
  const toggle = (part: string) => setOpen(open === part ? null : part);
  return (
    <section aria-label={words.reader.cut} className={`min-w-0 pb-2 ${open ? "basis-full" : ""}`}>
      <p className="text-lg">
        {words.reader.showing}{" "}
        <PartOf open={open === PERIOD} toggle={() => toggle(PERIOD)}>
          {view.period.words}
        </PartOf>
        {view.narrowable.length > 0 && ", "}
        <NarrowingParts view={view} filters={cut.filters} open={open} toggle={toggle} />
        {view.limits.length > 0 && <strong>; {words.list(view.limits)}</strong>}.{" "}
        <span className="text-quiet text-xs">{view.period.days}</span>
      </p>
      {open && (
        <div className="border-base-content bg-leaf mt-3 border p-4">
          {open === PERIOD ? (
            <PeriodEditor
              periods={view.periods}
              byTime={view.byTime}
              current={cut.period}
              choose={(period) => {
                set({ period });
                setOpen(null);
              }}
            />
          ) : (
            <NarrowingEditor
              view={view}
              cut={cut}
              open={open}
              show={setOpen}
              change={(filters) => set({ filters })}
            />
          )}
        </div>
      )}
    </section>
  );
}
