import { words } from "../words";
import type { useTerms } from "./useTerms";

/** Says that what is on the screen was begun before, and lets it be begun anew. */
export function TakenUp({ draft }: { draft: ReturnType<typeof useTerms> }) {
  return (
    <p role="status" className="border-primary my-3 border-l-2 py-1 pl-3">
      {words.composer.takenUp}{" "}
      <button type="button" className="choose ml-2" onClick={draft.beginAnew}>
        {words.composer.beginAnew}
      </button>
    </p>
  );
}
