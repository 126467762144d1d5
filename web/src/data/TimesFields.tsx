import { OneOf } from "../kit/Field";
import { useMe } from "../kit/useSession";
import { words } from "../words";
import { SENT, type Plan } from "./rows";

type Times = Plan["times"];

interface Props {
  plan: Plan;
  change: (plan: Plan) => void;
}

/** When rows are loaded by themselves, and what becomes of those before. */
export function TimesFields({ plan, change }: Props) {
  const { zone } = useMe();
  const { times, origin } = plan;
  const choose = (next: Times) => change({ ...plan, times: next });
  const choices: { next: Times; label: string }[] = [
    { next: SENT.times, label: words.data.times.BY_HAND },
    { next: { ...SENT.times, kind: "DAILY", at: "05:30", zone }, label: words.data.times.DAILY },
    {
      next: { ...SENT.times, kind: "EVERY", minutes: 15 },
      label: times.kind === "EVERY" ? words.data.every : words.data.times.EVERY,
    },
  ];
  if (origin.kind === "FOLDER")
    choices.push({ next: { ...SENT.times, kind: "ON_ARRIVAL" }, label: words.data.times.ON_ARRIVAL });
  return (
    <>
      <fieldset className="space-y-1">
        <legend className="head">{words.data.when}</legend>
        {choices.map(({ next, label }) => (
          <div key={next.kind} className="flex flex-wrap items-baseline gap-2">
            <OneOf
              name="times"
              label={label}
              checked={times.kind === next.kind}
              choose={() => choose(next)}
            />
            {times.kind === next.kind && next.kind === "DAILY" && (
              <>
                <input
                  type="time"
                  required
                  aria-label={words.data.at}
                  className="border-base-content border-b bg-transparent"
                  value={times.at?.slice(0, 5) ?? ""}
                  onChange={(event) => choose({ ...times, at: event.target.value })}
                />
                <span className="text-quiet">{times.zone}</span>
              </>
            )}
            {times.kind === next.kind && next.kind === "EVERY" && (
              <>
                <input
                  type="number"
                  min={1}
                  max={1440}
                  aria-label={words.data.minutes}
                  className="border-base-content w-16 border-b bg-transparent"
                  value={times.minutes}
                  onChange={(event) => choose({ ...times, minutes: Number(event.target.value) })}
                />
                <span>{words.data.minutes}</span>
              </>
            )}
          </div>
        ))}
      </fieldset>
      {origin.kind === "FOLDER" && (
        <fieldset className="flex flex-wrap gap-x-6">
          <legend className="head">{words.data.mode}</legend>
          {(["REPLACE", "APPEND"] as const).map((each) => (
            <OneOf
              key={each}
              name="plan-mode"
              label={words.data.modes[each]}
              checked={plan.mode === each}
              choose={() => change({ ...plan, mode: each })}
            />
          ))}
        </fieldset>
      )}
    </>
  );
}
