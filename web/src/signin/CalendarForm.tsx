import { useState } from "react";
import { call } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { useNotice } from "../kit/Notices";
import { useMe } from "../kit/useSession";
import { WeekStart } from "../kit/WeekStart";
import { ZoneOptions } from "../kit/ZoneOptions";
import { words } from "../words";

/** By which clocks and weeks one reads, and new subscriptions begin. */
export function CalendarForm() {
  const me = useMe();
  const say = useNotice();
  const [zone, setZone] = useState(me.zone);
  const [firstDayOfWeek, setFirst] = useState(me.firstDayOfWeek);
  const change = useChange(() => call("account/calendar", { method: "PUT", body: { zone, firstDayOfWeek } }));
  return (
    <form
      aria-labelledby="calendar"
      className="mb-10"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate(undefined, { onSuccess: () => say({ text: words.account.calendarChanged }) });
      }}
    >
      <h2 id="calendar">{words.account.calendar}</h2>
      <p className="text-quiet mb-3">{words.account.calendarLine}</p>
      <div className="flex flex-wrap items-end gap-4">
        <label className="block w-64">
          <span className="head">{words.when.zone}</span>
          <select className="fill" value={zone} onChange={(event) => setZone(event.target.value)}>
            <ZoneOptions current={zone} />
          </select>
        </label>
        <WeekStart current={firstDayOfWeek} choose={setFirst} />
        <button type="submit" className="act-plain" disabled={change.isPending}>
          {words.account.calendarKeep}
        </button>
      </div>
      <Fault error={change.error} />
    </form>
  );
}
