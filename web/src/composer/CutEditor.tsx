import { OneOf } from "../kit/Field";
import { useCuts } from "../kit/useCuts";
import { words } from "../words";
import type { Content } from "./useTerms";

interface Props {
  report: number;
  content: Content;
  change: (part: Partial<Content>) => void;
}

/** Whether period and filters are its own, or those of a kept cut, also when that changes. */
export function CutEditor({ report, content, change }: Props) {
  const { data } = useCuts(report);
  return (
    <fieldset className="space-y-3">
      <legend className="sr-only">{words.part.CUT}</legend>
      <p>
        <OneOf
          name="follows"
          label={words.composer.ownCut}
          hint={words.composer.ownCutMeans}
          checked={content.follows === null}
          choose={() => change({ follows: null })}
        />
      </p>
      {data?.cuts
        .filter((cut) => cut.fits)
        .map((cut) => (
          <p key={cut.id}>
            <OneOf
              name="follows"
              label={words.composer.followCut(cut.name)}
              hint={words.cuts.of(cut)}
              checked={content.follows === cut.id}
              choose={() => change({ follows: cut.id, period: cut.cut.period, filters: cut.cut.filters })}
            />
          </p>
        ))}
    </fieldset>
  );
}
