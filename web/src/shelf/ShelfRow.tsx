import { useState } from "react";
import { Link } from "react-router";
import type { Api } from "../api/client";
import { SpineLink, SpineMark } from "../kit/Spine";
import { useEscape } from "../kit/useEscape";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { bind, place, statesOf, WIDEST_PX, type Sheaf } from "./axis";

type View = Api["ShelfView"];

interface Props {
  row: View["rows"][number];
  view: View;
  tight: boolean;
  axisPx: number;
  /** Whether the shelf's one tab stop is on this row. */
  entry: boolean;
}

const PHONE_SPINES = 8;

/** One subscription: its title and line at the left, its issues standing along the axis. */
export function ShelfRow({ row, view, tight, axisPx, entry }: Props) {
  const [lifted, setLifted] = useState<Api["Spine"] | null>(null);
  const [open, setOpen] = useState<Sheaf | null>(null);
  useEscape(() => setOpen(null), open !== null);
  const { width, sheaves } = bind(row.spines, view.from, view.to, axisPx);
  const height = tight ? 26 : 46;
  const title = row.mayOpen ? <Link to={`/subscriptions/${row.subscription}`}>{row.title}</Link> : row.title;
  return (
    <article
      data-row={row.title}
      aria-label={row.title}
      className="border-base-content relative grid border-b md:grid-cols-[33%_1fr]"
      onMouseLeave={() => setLifted(null)}
    >
      <div
        className={`min-w-0 pr-6 ${tight ? "flex h-9 items-center gap-3" : "py-2 md:min-h-[70px] md:pt-3"}`}
      >
        <h3 className={tight ? "truncate text-base" : "line-clamp-2"}>{title}</h3>
        <p className={`text-xs ${lifted ? "" : "text-quiet"} ${tight ? "truncate" : "line-clamp-2"}`}>
          {lifted ? lifted.note : row.line}
        </p>
      </div>
      <div className="relative max-md:hidden">
        {sheaves.map((sheaf, i) => (
          <Standing
            key={sheaf.at}
            entry={entry && i === sheaves.length - 1}
            sheaf={sheaf}
            size={{ width, height }}
            left={place(sheaf.at, view.from, view.to) * 100}
            lift={setLifted}
            open={() => setOpen(open === sheaf ? null : sheaf)}
          />
        ))}
        <ToCome row={row} view={view} height={height} />
        <span
          aria-hidden
          className="border-primary pointer-events-none absolute inset-y-0 border-l border-dotted"
          style={{ left: `${place(view.now, view.from, view.to) * 100}%` }}
        />
      </div>
      <div className="flex items-end md:hidden">
        {row.spines.slice(-PHONE_SPINES).map((spine) => (
          <SpineLink key={spine.id} spine={spine} width={WIDEST_PX} height={36} />
        ))}
      </div>
      {open && (
        <p className="col-span-full flex flex-wrap gap-x-4 gap-y-1 pb-2 text-xs">
          {open.spines.map((spine) => (
            <Link key={spine.id} className="choose" to={`/issues/${spine.id}`}>
              {spine.note}
            </Link>
          ))}
        </p>
      )}
    </article>
  );
}

interface StandingProps {
  sheaf: Sheaf;
  size: { width: number; height: number };
  left: number;
  entry: boolean;
  lift: (spine: Api["Spine"]) => void;
  open: () => void;
}

function Standing({ sheaf, size, left, entry, lift, open }: StandingProps) {
  const newest = sheaf.spines.at(-1);
  if (!newest) return null;
  const place = {
    "data-spine": true,
    tabIndex: entry ? 0 : -1,
    className:
      "absolute bottom-0 -translate-x-1/2 cursor-pointer transition-transform duration-150 hover:-translate-y-2 focus:-translate-y-2",
    style: { left: `${left}%` },
    onMouseEnter: () => lift(newest),
    onFocus: () => lift(newest),
  };
  if (sheaf.spines.length > 1) {
    return (
      <button
        type="button"
        aria-label={words.shelf.sheaf(
          sheaf.spines.length,
          statesOf(sheaf).map(({ many, state }) => `${many} ${words.spine[state]}`),
          newest.note,
        )}
        onClick={open}
        {...place}
      >
        <SpineMark state={sheaf.state} number={sheaf.spines.length} {...size} />
      </button>
    );
  }
  return (
    <Link to={`/issues/${newest.id}`} aria-label={`${newest.note}, ${words.spine[newest.state]}`} {...place}>
      <SpineMark state={newest.state} number={newest.number} {...size} />
    </Link>
  );
}

function ToCome({ row, view, height }: { row: Props["row"]; view: View; height: number }) {
  const { moment } = useWhen();
  if (!row.next || row.next > view.to) return null;
  return (
    <span
      role="img"
      aria-label={words.shelf.toCome(moment(row.next))}
      title={words.shelf.toCome(moment(row.next))}
      className="absolute bottom-0 -translate-x-1/2"
      style={{ left: `${place(row.next, view.from, view.to) * 100}%` }}
    >
      <SpineMark state="TO_COME" width={WIDEST_PX} height={height} />
    </span>
  );
}
