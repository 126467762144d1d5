import { useQuery } from "@tanstack/react-query";
import { call, type Api } from "../api/client";
import { Loaded } from "../kit/Loaded";
import { words } from "../words";

interface Props {
  /** Where it is asked. */
  path: string;
  /** Sent where the change does not stand in the path. */
  body?: unknown;
}

/** What a change of rights would do, told before it is made. */
export function Effect({ path, body }: Props) {
  const effect = useQuery({
    queryKey: [path, body],
    queryFn: ({ signal }) =>
      call<Api["Effect"]>(path, body === undefined ? { signal } : { method: "POST", body, signal }),
  });
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
