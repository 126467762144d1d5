import { useState } from "react";
import { Link } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field, Tick } from "../kit/Field";
import { Pick } from "../kit/Pick";
import type { Cut } from "../kit/cut";
import { useEscape } from "../kit/useEscape";
import { words } from "../words";

interface Props {
  report: number;
  /** What is on the screen. */
  cut: Cut;
  page: Api["Page"];
  close: () => void;
}

/** Puts blocks of the page into a clipping, a new one or one that there is. */
export function ClipForm({ report, cut, page, close }: Props) {
  useEscape(close);
  const clippings = useRead<Api["ClippingName"][]>("clippings");
  const [chosen, setChosen] = useState<string[]>([]);
  const [into, setInto] = useState("");
  const [name, setName] = useState("");
  const add = useChange(async () => {
    const clips: Api["Clip"][] = page.order
      .filter((id) => chosen.includes(id))
      .map((block) => ({ report, page: page.id, block, period: cut.period, filters: cut.filters }));
    if (into) {
      await call<null>(`clippings/${into}/clips`, { method: "POST", body: { clips } });
      return Number(into);
    }
    const made = await call<Api["ClippingKept"]>("clippings", { method: "POST", body: { name, clips } });
    return made.id;
  });
  if (add.data !== undefined) {
    return (
      <p role="status" className="py-2">
        {words.clippings.clipped}{" "}
        <Link className="choose" to={`/clippings/${add.data}`}>
          {words.clippings.look}
        </Link>
      </p>
    );
  }
  return (
    <form
      aria-label={words.clippings.clip}
      className="border-base-content bg-leaf mt-2 space-y-3 border p-4 text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate(undefined);
      }}
    >
      <fieldset className="flex flex-wrap gap-x-6 gap-y-1">
        <legend className="pb-1">{words.clippings.which}</legend>
        {page.order.map((id) => (
          <Tick
            key={id}
            label={titleOf(page, id)}
            checked={chosen.includes(id)}
            change={(on) => setChosen(on ? [...chosen, id] : chosen.filter((each) => each !== id))}
          />
        ))}
      </fieldset>
      <div className="flex flex-wrap items-end gap-4">
        <Pick
          label={words.clippings.into}
          none={words.clippings.anew}
          all={clippings.data ?? []}
          value={into}
          pick={setInto}
        />
        {!into && (
          <Field
            label={words.clippings.name}
            required
            maxLength={120}
            value={name}
            className="w-72 max-w-full"
            onChange={(event) => setName(event.target.value)}
          />
        )}
        <button type="submit" className="act-plain" disabled={chosen.length === 0 || add.isPending}>
          {words.clippings.add}
        </button>
        <button type="button" className="choose" onClick={close}>
          {words.close}
        </button>
      </div>
      <Fault error={add.error} />
    </form>
  );
}

const titleOf = (page: Api["Page"], id: string) =>
  [...page.figures, ...page.charts, ...page.tables, ...page.texts].find((each) => each.id === id)?.title ||
  id;
