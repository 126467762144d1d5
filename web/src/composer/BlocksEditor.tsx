import { Link } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { OneOf } from "../kit/Field";
import { words } from "../words";
import type { Terms } from "./useTerms";

interface Props {
  terms: Terms;
  composed: Api["Composed"];
  change: (part: Partial<Terms>) => void;
}

/** What stands on the page of one's own that is sent, and whether it changes with the clipping that it came from. */
export function BlocksEditor({ terms, composed, change }: Props) {
  const clippings = useRead<Api["ClippingName"][]>("clippings").data ?? [];
  const followed = clippings.find((each) => each.id === terms.clipping);
  return (
    <>
      <ul className="pb-4">
        {composed.content.map((content, i) => (
          <li key={i} className="border-base-300 border-b py-2">
            <span className="flex justify-between gap-4">
              <span className="font-serif">{words.list(content.parts)}</span>
              {terms.clipping === null && composed.content.length > 1 && (
                <button
                  type="button"
                  className="choose text-sm"
                  aria-label={words.composer.takeOut(words.list(content.parts))}
                  onClick={() => change({ content: composed.terms.content.filter((_, at) => at !== i) })}
                >
                  {words.clippings.takeOut}
                </button>
              )}
            </span>
            <span className="text-quiet block text-sm">
              {content.title} · {content.shows}
            </span>
          </li>
        ))}
      </ul>
      <fieldset className="space-y-3">
        <legend className="sr-only">{words.composer.follow}</legend>
        <p>
          <OneOf
            name="follows"
            label={words.composer.ownBlocks}
            hint={words.composer.ownBlocksMean}
            checked={terms.clipping === null}
            choose={() => change({ content: composed.terms.content, clipping: null })}
          />
        </p>
        {clippings.map((clipping) => (
          <p key={clipping.id}>
            <OneOf
              name="follows"
              label={words.composer.followClipping(clipping.name)}
              hint={words.clippings.blocks(clipping.clips, clipping.reports)}
              checked={terms.clipping === clipping.id}
              disabled={clipping.clips === 0}
              choose={() => change({ content: [], clipping: clipping.id })}
            />
          </p>
        ))}
      </fieldset>
      {followed && (
        <p className="pt-3 text-sm">
          <Link className="choose" to={`/clippings/${followed.id}`}>
            {words.composer.changeClipping(followed.name)}
          </Link>
        </p>
      )}
    </>
  );
}
