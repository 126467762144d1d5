import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { writeCut, type Cut } from "../kit/cut";
import { Fault } from "../kit/Fault";
import { useNotice } from "../kit/Notices";
import { words } from "../words";
import { CutForm } from "./CutForm";

type View = Api["CutView"];

interface Props {
  report: number;
  /** What is on the screen. */
  cut: Cut;
  cuts: Api["CutsView"];
  /** The kept one that it was opened from. */
  current: View | undefined;
  isChanged: boolean;
}

type Open = "anew" | "change" | null;

/** The kept ways of looking at this report; what is on the screen is kept here, anew or as the one it was opened from. */
export function CutsLine({ report, cut, cuts, current, isChanged }: Props) {
  const [open, setOpen] = useState<Open>(null);
  const navigate = useNavigate();
  const done = (id: number | null) => {
    setOpen(null);
    void navigate(addressOf(report, cut, id), { replace: true });
  };
  /** As the cut that it is the change of, or anew; gives its id. */
  const save = useChange(async ({ now, wish }: { now?: View; wish: Api["CutWish"] }) => {
    if (now) {
      await call<null>(`cuts/${now.id}`, { method: "PUT", body: { wish, version: now.version } });
      return now.id;
    }
    const made = await call<Api["CutKept"]>(`reports/${report}/cuts`, { method: "POST", body: wish });
    return made.id;
  });
  const say = useNotice();
  const remove = useChange((now: View) => call<null>(`cuts/${now.id}`, { method: "DELETE" }));
  const removed = (was: View) => {
    done(null);
    say({ text: words.cuts.removed(was.name), undo: () => save.mutate({ wish: wishOf(was, was.cut) }) });
  };
  return (
    <section
      aria-label={words.cuts.title}
      className={`min-w-0 pb-2 text-sm print:hidden ${open ? "basis-full" : ""}`}
    >
      <p className="flex flex-wrap gap-x-5 gap-y-1">
        {cuts.cuts.length > 0 && <span className="text-quiet">{words.cuts.line}</span>}
        {cuts.cuts.map((each) => (
          <Link
            key={each.id}
            to={addressOf(report, each.cut, each.id)}
            title={words.cuts.of(each)}
            aria-current={each === current ? "true" : undefined}
            className={each === current ? "current" : "choose"}
          >
            {each.name}
          </Link>
        ))}
        {isChanged && current?.mayChange && (
          <button
            type="button"
            className="choose"
            onClick={() => {
              if (isFollowed(current)) setOpen("change");
              else save.mutate({ now: current, wish: wishOf(current, cut) });
            }}
          >
            {words.cuts.keepChange(current.name)}
          </button>
        )}
        <button type="button" className="choose" onClick={() => setOpen("anew")}>
          {current ? words.cuts.another : words.cuts.keep}
        </button>
        {current?.mayChange && (
          <button type="button" className="choose" onClick={() => setOpen("change")}>
            {words.cuts.rename}
          </button>
        )}
      </p>
      {current && !current.fits && <p className="text-late pt-1">{words.cuts.unfit}</p>}
      {!open && <Fault error={save.error ?? remove.error} />}
      {open && (
        <CutForm
          key={open}
          kept={open === "change" ? current : undefined}
          isChanged={isChanged}
          mayShare={cuts.mayShare}
          error={save.error ?? remove.error}
          save={(wish) => {
            const now = open === "change" ? current : undefined;
            save.mutate({ now, wish: wishOf(wish, cut) }, { onSuccess: done });
          }}
          remove={
            open === "change" && current
              ? () => remove.mutate(current, { onSuccess: () => removed(current) })
              : undefined
          }
          close={() => {
            save.reset();
            setOpen(null);
          }}
        />
      )}
    </section>
  );
}

/** Then what a change does is shown before it is made. */
const isFollowed = (cut: View) => cut.followers.length + cut.moreFollow > 0;

const wishOf = ({ name, about, shared }: Omit<Api["CutWish"], "cut">, cut: Cut): Api["CutWish"] => ({
  name,
  about,
  shared,
  cut,
});

function addressOf(report: number, cut: Cut, id: number | null): string {
  const search = writeCut(cut);
  if (id !== null) search.set("cut", String(id));
  return `/reports/${report}?${search}`;
}
