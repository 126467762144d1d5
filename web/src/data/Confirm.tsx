import { ProblemError } from "../api/client";
import { words } from "../words";

const HELD_BACK = ["data.loses-rows", "data.repeats-rows"];

/** Loading what was held back all the same. */
export function Confirm({ error, confirm }: { error: Error | null; confirm: () => void }) {
  if (!(error instanceof ProblemError) || !HELD_BACK.includes(error.problem.code)) return null;
  return (
    <button type="button" className="act-plain ml-3" onClick={confirm}>
      {words.data.confirm}
    </button>
  );
}
