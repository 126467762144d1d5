import { useRef, type RefCallback } from "react";
import type { Api } from "../api/client";
import { useWidth } from "../kit/useWidth";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { months, place } from "./axis";
import { ShelfRow } from "./ShelfRow";
import { useWalk } from "./useWalk";

type View = Api["ShelfView"];

const GROUPS = ["NEEDS_A_LOOK", "NEW", "QUIET"] as const;

/** The rows in their groups, under one time axis; arrow keys walk over them. */
export function ShelfRows({ view, tight }: { view: View; tight: boolean }) {
  const [axisPx, measure] = useWidth(800);
  const shelf = useRef<HTMLDivElement>(null);
  const walk = useWalk(shelf);
  const ordered = GROUPS.flatMap((group) => view.rows.filter((row) => row.group === group));
  const entry = ordered.find((row) => row.spines.length > 0)?.subscription;
  return (
    <div ref={shelf} className="relative" onKeyDown={walk}>
      <Axis view={view} measure={measure} />
      {GROUPS.map((group) => {
        const rows = ordered.filter((row) => row.group === group);
        return rows.length === 0 ? null : (
          <section key={group} aria-label={words.shelf.groups[group]}>
            <h2
              className={`pt-3 font-sans text-xs ${group === "NEEDS_A_LOOK" ? "text-error" : ""} font-semibold`}
            >
              {words.shelf.groups[group]}
            </h2>
            {rows.map((row) => (
              <ShelfRow
                key={row.subscription}
                row={row}
                view={view}
                tight={tight}
                axisPx={axisPx}
                entry={row.subscription === entry}
              />
            ))}
          </section>
        );
      })}
    </div>
  );
}

function Axis({ view, measure }: { view: View; measure: RefCallback<HTMLElement> }) {
  const { zone } = useWhen();
  const today = place(view.now, view.from, view.to) * 100;
  return (
    <div className="bg-base-100 sticky top-0 z-10 grid grid-cols-[33%_1fr] max-md:hidden">
      <span />
      <div ref={measure} className="relative h-6 text-xs">
        {months(view.from, view.to, zone)
          .filter(
            (month, i, all) => Math.abs(month.at * 100 - today) > 6 && !(i === 0 && (all[1]?.at ?? 1) < 0.1),
          )
          .map((month) => (
            <span key={month.at} className="text-quiet absolute" style={{ left: `${month.at * 100}%` }}>
              {month.name}
            </span>
          ))}
        <span className="text-primary absolute -translate-x-1/2 font-semibold" style={{ left: `${today}%` }}>
          {words.shelf.today}
        </span>
      </div>
    </div>
  );
}
