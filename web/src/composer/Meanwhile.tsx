import type { Api } from "../api/client";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { draftOf, type useTerms } from "./useTerms";

interface Props {
  newer: Api["SubscriptionView"];
  draft: ReturnType<typeof useTerms>;
  goOnFrom?: (version: Api["SubscriptionView"]) => void;
}

/** What became of a subscription while it was being changed here; what was typed stays until it is decided. */
export function Meanwhile({ newer, draft, goOnFrom }: Props) {
  const { moment } = useWhen();
  const last = newer.history.find((deed) => deed.version !== null);
  return (
    <section role="alert" className="border-late my-3 border-l-2 py-1 pl-3">
      <h2 className="text-lg">{words.composer.meanwhile(last?.by ?? "", last ? moment(last.at) : "")}</h2>
      <p>{newer.fullSentence}</p>
      <p className="text-quiet">{words.composer.yoursBelow}</p>
      <p className="flex flex-wrap gap-x-4 gap-y-1 pt-1">
        <button
          type="button"
          className="choose"
          onClick={() => {
            draft.moveTo(draftOf(newer));
            goOnFrom?.(newer);
          }}
        >
          {words.composer.keepMine}
        </button>
        <button
          type="button"
          className="choose"
          onClick={() => {
            draft.forget();
            goOnFrom?.(newer);
          }}
        >
          {words.composer.takeTheirs}
        </button>
      </p>
    </section>
  );
}
