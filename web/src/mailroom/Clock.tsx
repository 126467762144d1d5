import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field } from "../kit/Field";
import { instantOf, useWhen } from "../kit/when";
import { words } from "../words";

const MOVING_MS = 500;
const RESTING_MS = 5_000;

/** The demo's clock: it can only go forward, and stops at everything that falls due on the way. */
export function Clock() {
  const [moving, setMoving] = useState(false);
  const clock = useRead<Api["ClockView"]>("clock", { every: moving ? MOVING_MS : RESTING_MS });
  const { moment, zone } = useWhen();
  const [to, setTo] = useState("");
  const next = useChange(() => call("clock/next-send", { method: "POST" }));
  const move = useChange(() => call("clock/move", { method: "POST", body: { to: instantOf(to, zone) } }));
  const view = clock.data;
  if (view && moving !== (view.movingTo !== null)) {
    setMoving(view.movingTo !== null);
  }
  if (!view) return <Fault error={clock.error} />;
  return (
    <section
      aria-label={words.clock.label}
      className="border-base-content flex flex-wrap items-end gap-x-8 gap-y-3 border-y py-3"
    >
      <p>
        <span className="head block">{words.clock.now}</span>
        <span className="font-serif text-2xl font-semibold">{moment(view.now)}</span>
      </p>
      <p role="status" className="text-quiet pb-1">
        {view.movingTo
          ? words.clock.moving(moment(view.movingTo))
          : view.nextSend
            ? words.clock.next(moment(view.nextSend))
            : words.clock.nothingDue}
      </p>
      <form
        className="ml-auto flex flex-wrap items-end gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          move.mutate();
        }}
      >
        <Field
          label={words.clock.to}
          type="datetime-local"
          required
          value={to}
          onChange={(event) => setTo(event.target.value)}
          className="w-56"
        />
        <button type="submit" className="act-plain" disabled={moving || move.isPending}>
          {words.clock.move}
        </button>
        <button
          type="button"
          className="act"
          disabled={moving || next.isPending || !view.nextSend}
          onClick={() => next.mutate()}
        >
          {words.clock.moveToNext}
        </button>
      </form>
      <div className="w-full empty:hidden">
        <Fault error={next.error ?? move.error} />
      </div>
    </section>
  );
}
