import { Count, OneOf, Tick } from "../kit/Field";
import { words } from "../words";
import { asksOfData, withFreshData, type FreshData, type Terms } from "./useTerms";

interface Props {
  terms: Terms;
  change: (part: Partial<Terms>) => void;
}

const MOST_HOURS = 24;
const USUAL_HOURS = 3;
const ENDS: FreshData["ifStale"][] = ["SEND", "SKIP"];

/** What keeps it from being sent: that there is nothing to show, and what becomes of it where a load has failed. */
export function UnlessEditor({ terms, change }: Props) {
  const asked = asksOfData(terms);
  const set = (part: Partial<FreshData>) => change(withFreshData(terms, part));
  return (
    <div className="space-y-3 text-sm">
      <p>{words.unless.noRows}</p>
      <fieldset className="space-y-3">
        <legend className="head">{words.unless.failed}</legend>
        <div className="flex flex-wrap items-end gap-4">
          <span className="pb-2">
            <Tick
              label={words.unless.wait}
              checked={asked.waitHours > 0}
              change={(waits) => set({ waitHours: waits ? USUAL_HOURS : 0 })}
            />
          </span>
          {asked.waitHours > 0 && (
            <Count
              label={words.unless.hours}
              most={MOST_HOURS}
              value={asked.waitHours}
              change={(waitHours) => set({ waitHours })}
            />
          )}
        </div>
        {ENDS.map((end) => (
          <p key={end}>
            <OneOf
              name="if-stale"
              label={words.unless.ends[end](asked.waitHours > 0)}
              hint={words.unless.meaning[end]}
              checked={asked.ifStale === end}
              choose={() => set({ ifStale: end })}
            />
          </p>
        ))}
      </fieldset>
    </div>
  );
}
