import { useState } from "react";
import type { Api } from "../api/client";
import { FilterEditor } from "../kit/FilterEditor";
import { PartOf } from "../kit/PartOf";
import { PeriodEditor } from "../kit/PeriodEditor";
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
  const part = (name: string, text: string) => (
    <PartOf open={open === name} toggle={() => setOpen(open === name ? null : name)}>
      {text}
    </PartOf>
  );
  const filter = view.filters.find((each) => each.column === open);
  return (
    <section aria-label={words.reader.cut} className="pb-3">
      <p className="text-lg">
        {words.reader.showing} {part(PERIOD, view.period.words)}
        {view.filters.map((each) => (
          <span key={each.column}>, {part(each.column, chosen(each))}</span>
        ))}
        {view.limits.length > 0 && <strong>; {words.list(view.limits)}</strong>}.{" "}
        <span className="text-quiet text-xs">{view.period.days}</span>
      </p>
      {open && (
        <div className="border-base-content bg-leaf mt-3 border p-4">
          {open === PERIOD && (
            <PeriodEditor
              periods={view.periods}
              current={cut.period}
              choose={(period) => {
                set({ period });
                setOpen(null);
              }}
            />
          )}
          {filter && (
            <FilterEditor
              choice={{ ...filter, chosen: cut.filters[filter.column] ?? [] }}
              change={(values) => set({ filters: { ...cut.filters, [filter.column]: values } })}
            />
          )}
        </div>
      )}
    </section>
  );
}

const MOST_NAMED = 3;

function chosen(filter: Api["FilterChoice"]): string {
  if (filter.chosen.length === 0) return words.filter.every(filter.title);
  if (filter.chosen.length > MOST_NAMED) return words.filter.some(filter.title, filter.chosen.length);
  return words.list(filter.chosen);
}
