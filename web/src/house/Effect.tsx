import { type Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { words } from "../words";
import { type Verb } from "./verbs";

interface Props {
  path: string;
  /** Null takes the folder's own word away. */
  verbs: Verb[] | null;
}

/** What a change would do, told before it is made. */
export function Effect({ path, verbs }: Props) {
  const wish = new URLSearchParams([
    ["own", `${verbs !== null}`],
    ...(verbs ?? []).map((verb) => ["verbs", verb]),
  ]);
  const effect = useRead<Api["Effect"]>(`${path}/effect?${wish.toString()}`);
  return (
    <div role="status" className="border-primary my-2 border-l-2 pl-3">
      <Loaded query={effect}>{(would) => <Lines would={would} />}</Loaded>
    </div>
  );
}

function Lines({ would }: { would: Api["Effect"] }) {
  const { pausing, dropping, losing } = would;
  if (pausing.length + dropping.length + losing.length === 0) return <p>{words.effect.none}</p>;
  return (
    <ul>
      {pausing.map((each) => (
        <li key={each.subscription}>{words.effect.pauses(each.name, each.because)}</li>
      ))}
      {dropping.map((each) => (
        <li key={each.person}>{words.effect.drops(each.person, each.subscriptions)}</li>
      ))}
      {losing.map((each) => (
        <li key={each.person}>{words.effect.loses(each.person, each.issues)}</li>
      ))}
    </ul>
  );
}
