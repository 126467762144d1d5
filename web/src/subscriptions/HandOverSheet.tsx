import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { useCandidates } from "../composer/useCandidates";
import { Fault } from "../kit/Fault";
import { FindPerson } from "../kit/FindPerson";
import { Heir } from "../kit/Heir";
import { Loaded } from "../kit/Loaded";
import { useNotice } from "../kit/Notices";
import { Sheet } from "../kit/Sheet";
import { SheetEnd } from "../kit/SheetEnd";
import { words } from "../words";

interface Props {
  view: Api["SubscriptionView"];
  close: () => void;
}

/** Another owner for one subscription: who, and what that means, before it is done. */
export function HandOverSheet({ view, close }: Props) {
  const { line, terms } = view;
  const say = useNotice();
  const [heir, setHeir] = useState<Api["Candidate"] | null>(null);
  const people = useCandidates([...new Set(terms.content.map((each) => each.report))]);
  const outlook = useRead<Api["HandOverOutlook"]>(`subscriptions/${line.id}/handover?to=${heir?.id}`, {
    when: heir !== null,
  });
  const hand = useChange(
    (person: Api["Candidate"]) =>
      call(`subscriptions/${line.id}/owner`, { method: "PUT", body: { person: person.id } }),
    () => {
      close();
      say({ text: words.handOver.done(line.name, heir?.name ?? "") });
    },
  );
  const mayTake = heir !== null && outlook.data?.hindrance === "" && !outlook.isFetching;
  return (
    <Sheet label={words.handOver.title(line.name)} close={close}>
      <div className="space-y-2">
        <h2>{words.handOver.title(line.name)}</h2>
        {heir ? (
          <Heir name={heir.name} other={() => setHeir(null)} />
        ) : (
          <Loaded query={people}>
            {(all) => (
              <FindPerson
                people={all.filter((person) => person.name !== line.owner)}
                label={words.handOver.people}
                choice={words.handOver.choose}
                choiceOf={(person) => words.handOver.chooseNamed(person.name)}
                choose={setHeir}
              />
            )}
          </Loaded>
        )}
      </div>
      <div className="space-y-2 text-sm" role="status">
        {heir ? (
          <Loaded query={outlook}>{(would) => <Means would={would} heir={heir.name} />}</Loaded>
        ) : (
          <p className="text-quiet">{words.handOver.whoFirst}</p>
        )}
        <Fault error={hand.error} />
      </div>
      <SheetEnd close={close}>
        <button
          type="button"
          className="act"
          disabled={!mayTake || hand.isPending}
          onClick={() => heir && hand.mutate(heir)}
        >
          {words.handOver.act}
        </button>
      </SheetEnd>
    </Sheet>
  );
}

function Means({ would, heir }: { would: Api["HandOverOutlook"]; heir: string }) {
  if (would.hindrance) return <p className="text-late">{would.hindrance}</p>;
  return (
    <>
      <p>{words.handOver.means}</p>
      {would.letsGo && <p>{words.handOver.letsGo}</p>}
      {would.asOwner && <p>{words.handOver.asOwner(heir)}</p>}
    </>
  );
}
