import { Fault } from "../kit/Fault";
import { words } from "../words";
import { faultsOf } from "./place";

interface Props {
  error: unknown;
  goTo: (field: string) => void;
}

/** All that is wrong with the text, each with the way to its place. */
export function Faults({ error, goTo }: Props) {
  const faults = faultsOf(error);
  return (
    <div role="status" className="pt-2 text-sm">
      {faults.map((fault) => (
        <p key={fault.field + fault.message}>
          <button type="button" className="choose" onClick={() => goTo(fault.field)}>
            {fault.field}
          </button>{" "}
          {fault.message}
        </p>
      ))}
      {Boolean(error) && faults.length === 0 && <Fault error={error} />}
      {!error && <p className="text-quiet">{words.editor.keys}</p>}
    </div>
  );
}
