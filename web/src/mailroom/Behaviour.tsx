import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { words } from "../words";

type Kind = Api["Behaviour"]["behaviour"];

const KINDS = Object.keys(words.behaviour) as Kind[];

/** How the stand-in treats mail to this address from now on, so that faults can be seen at work. */
export function Behaviour({ inbox }: { inbox: Api["Inbox"] }) {
  const change = useChange((behaviour: Kind) =>
    call(`mail-room/${encodeURIComponent(inbox.address)}/behaviour`, { method: "PUT", body: { behaviour } }),
  );
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1 pb-2">
      <h2>
        {inbox.name || inbox.address}{" "}
        <span className="text-quiet font-sans text-xs font-normal">{inbox.address}</span>
      </h2>
      <label className="text-sm">
        <span className="text-quiet">{words.mailRoom.treats}</span>{" "}
        <select
          className="choose bg-transparent"
          value={inbox.behaviour}
          onChange={(event) => change.mutate(event.target.value as Kind)}
        >
          {KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {words.behaviour[kind]}
            </option>
          ))}
        </select>
      </label>
      <Fault error={change.error} />
    </div>
  );
}
