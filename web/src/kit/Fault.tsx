import { ProblemError } from "../api/client";
import { words } from "../words";

interface Props {
  error: unknown;
  /** Offered beside it. */
  again?: () => void;
}

/** What happened, what it means, what to do. */
export function Fault({ error, again }: Props) {
  if (!error) return null;
  const problem = error instanceof ProblemError ? error.problem : null;
  return (
    <div role="alert" className="border-error my-3 border-l-2 py-1 pl-3 text-sm">
      <p className="text-error font-semibold">{problem?.happened ?? words.fault.happened}</p>
      <p>
        {problem?.means ?? words.fault.means} {problem?.todo ?? words.fault.todo}
      </p>
      {problem?.faults.map((fault) => (
        <p key={fault.field + fault.message} className="text-quiet">
          {fault.message}
        </p>
      ))}
      {again && (
        <button type="button" className="choose mt-1" onClick={again}>
          {words.fault.again}
        </button>
      )}
    </div>
  );
}
