import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { useNotice } from "../kit/Notices";
import { words } from "../words";
import { KindOfOrigin, OriginFields } from "./OriginFields";
import { TimesFields } from "./TimesFields";
import { SENT } from "./rows";

interface Props {
  view: Api["DataSetView"];
  close: () => void;
}

/** Changes where a data set's rows come from, and when. */
export function PlanEditor({ view, close }: Props) {
  const say = useNotice();
  const sources = useRead<Api["SourceView"][]>("sources");
  const [plan, setPlan] = useState(view.plan);
  const keep = useChange(() => call(`data-sets/${view.line.id}/plan`, { method: "PUT", body: plan }));
  const { origin } = plan;
  const isWhole = origin.kind === "SENT" || (origin.source !== null && origin.ask.trim() !== "");
  return (
    <form
      aria-label={words.data.coming}
      className="space-y-4 pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(undefined, {
          onSuccess: () => {
            say({ text: words.data.planKept });
            close();
          },
        });
      }}
    >
      <KindOfOrigin
        kind={origin.kind}
        choose={(kind) => setPlan({ ...SENT, mostLost: plan.mostLost, origin: { ...SENT.origin, kind } })}
      />
      {origin.kind !== "SENT" && (
        <>
          <OriginFields
            origin={origin}
            sources={sources.data ?? []}
            change={(next) => setPlan({ ...plan, origin: next })}
          />
          <TimesFields plan={plan} change={setPlan} />
        </>
      )}
      {plan.mode === "REPLACE" && (
        <label className="block text-sm">
          {words.data.mostLost}{" "}
          <input
            type="number"
            min={1}
            max={100}
            placeholder={words.data.mostLostUsual}
            className="fill w-24"
            value={plan.mostLost ?? ""}
            onChange={({ target }) =>
              setPlan({ ...plan, mostLost: target.value ? Number(target.value) : null })
            }
          />
        </label>
      )}
      <Fault error={keep.error} />
      <p className="flex gap-5">
        <button type="submit" className="act-plain" disabled={!isWhole || keep.isPending}>
          {words.data.keepPlan}
        </button>
        <button type="button" className="choose" onClick={close}>
          {words.leaveIt}
        </button>
      </p>
    </form>
  );
}
