import { useState } from "react";
import type { Api } from "../api/client";
import { SpineMark } from "../kit/Spine";
import { moment, useWhen } from "../kit/when";
import { words } from "../words";
import type { Terms } from "./useTerms";

interface Props {
  sends: Api["Send"][];
  /** The days that it would show now. */
  daysNow: string;
  schedule: Terms["schedule"];
  recurs: Api["Composed"]["recurs"];
}

/** The next sends as a strip: each stand tells its moment, the days it will cover, and what shifted it. */
export function Sends({ sends, daysNow, schedule, recurs }: Props) {
  const { zone } = schedule;
  const kind = recurs === "LOAD" ? "load" : "demand";
  const [at, setAt] = useState(0);
  const { zone: mine } = useWhen();
  const chosen = sends[at] ?? sends[0];
  if (sends.length === 0) {
    return (
      <section aria-label={words.sends.label} className="pt-6">
        <p>
          <b>{words.sends.noneTitle[kind]}</b>
        </p>
        <p className="text-quiet pt-1 text-sm">{words.sends.none[kind](daysNow)}</p>
      </section>
    );
  }
  return (
    <section aria-label={words.sends.label} className="pt-6">
      <p>
        <b>{words.sends.title(sends.length, kind === "load")}</b> <span className="text-quiet">{zone}</span>
      </p>
      <ul className="grid grid-cols-6 gap-y-3 pt-2 md:grid-cols-12">
        {sends.map((send, i) => (
          <li key={send.at}>
            <button
              type="button"
              aria-label={words.sends.one(send.local, send.days, send.shift)}
              aria-pressed={send === chosen}
              className={`flex h-full cursor-pointer flex-col justify-end text-xs whitespace-nowrap ${
                send === chosen ? "text-primary font-semibold" : ""
              }`}
              onMouseEnter={() => setAt(i)}
              onFocus={() => setAt(i)}
              onClick={() => setAt(i)}
            >
              <SpineMark state={i === 0 ? "READ" : "TO_COME"} width={11} height={26} />
              <span className={send.shift ? "text-late" : ""}>{send.day}</span>
            </button>
          </li>
        ))}
      </ul>
      {chosen && (
        <p className="text-quiet pt-2 text-xs">
          {words.sends.about(chosen.local, chosen.days)}
          {mine !== zone && ` ${words.sends.inMine(moment(chosen.at, mine), mine)}`}
          {chosen.shift && <span className="text-late"> {chosen.shift}</span>}
        </p>
      )}
    </section>
  );
}
