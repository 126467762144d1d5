import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { FindPerson } from "../kit/FindPerson";
import { Heir } from "../kit/Heir";
import { Loaded } from "../kit/Loaded";
import { useNotice } from "../kit/Notices";
import { words } from "../words";

type Outlook = Api["HandOverOutlook"];

/** What somebody owns, and giving all of it to somebody else. */
export function HandOverAll({ person }: { person: Api["PersonView"] }) {
  const say = useNotice();
  const [isOpen, setOpen] = useState(false);
  const [heir, setHeir] = useState<Api["PersonView"] | null>(null);
  const people = useRead<Api["PersonView"][]>("people");
  const path = `people/${person.id}/subscriptions`;
  const owned = useRead<Outlook[]>(heir ? `${path}?to=${heir.id}` : path);
  const hand = useChange(
    (to: Api["PersonView"]) =>
      call<Api["Handed"]>(`${path}/handover`, { method: "POST", body: { person: to.id } }),
    (done) => {
      say({ text: words.handOver.allDone(done.handed, done.left.length, heir?.name ?? "") });
      setOpen(false);
      setHeir(null);
    },
  );
  return (
    <section aria-label={words.handOver.owns}>
      <p className="font-semibold">{words.handOver.owns}</p>
      <Loaded query={owned}>
        {(all) => (
          <>
            <ul>
              {all.map((one) => (
                <li key={one.id}>
                  {one.name || words.subscriptions.unnamed}
                  <span className="text-quiet"> · {words.subscriptions.states[one.state]}</span>
                  {one.hindrance && <span className="text-late block">{one.hindrance}</span>}
                </li>
              ))}
              {all.length === 0 && <li className="text-quiet">{words.handOver.ownsNone}</li>}
            </ul>
            {all.length > 0 && !isOpen && (
              <button type="button" className="choose" onClick={() => setOpen(true)}>
                {words.handOver.all}
              </button>
            )}
            {isOpen && (
              <div className="space-y-2 pt-2">
                {heir ? (
                  <>
                    <Heir name={heir.name} other={() => setHeir(null)} />
                    <p>{words.handOver.means}</p>
                  </>
                ) : (
                  <FindPerson
                    people={(people.data ?? []).filter((each) => each.active && each.id !== person.id)}
                    label={words.handOver.people}
                    choice={words.handOver.choose}
                    choiceOf={(each) => words.handOver.chooseNamed(each.name)}
                    choose={setHeir}
                  />
                )}
                <Fault error={hand.error} />
                <p className="flex gap-4">
                  <button
                    type="button"
                    className="act-plain"
                    disabled={!heir || hand.isPending || all.every((one) => one.hindrance !== "")}
                    onClick={() => heir && hand.mutate(heir)}
                  >
                    {heir
                      ? words.handOver.allTo(all.filter((one) => one.hindrance === "").length, heir.name)
                      : words.handOver.whoFirst}
                  </button>
                  <button type="button" className="choose" onClick={() => setOpen(false)}>
                    {words.leaveIt}
                  </button>
                </p>
              </div>
            )}
          </>
        )}
      </Loaded>
    </section>
  );
}
