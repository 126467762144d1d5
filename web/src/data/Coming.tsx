import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { useNotice } from "../kit/Notices";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { Confirm } from "./Confirm";
import { PlanEditor } from "./PlanEditor";
import { SendFile } from "./SendFile";

type View = Api["DataSetView"];

/** Where its rows come from and when, and having them come now. */
export function Coming({ view }: { view: View }) {
  const { moment } = useWhen();
  const [editing, setEditing] = useState(false);
  const isSent = view.plan.origin.kind === "SENT";
  return (
    <section aria-label={words.data.coming}>
      <h2 className="border-base-content border-b pb-2 text-lg">{words.data.coming}</h2>
      {editing ? (
        <PlanEditor view={view} close={() => setEditing(false)} />
      ) : (
        <>
          <p className="pt-2">{words.data.comes(view.plan, view.source)}</p>
          {view.plan.mostLost !== null && view.plan.mode === "REPLACE" && (
            <p className="text-quiet">{words.data.heldBackFrom(view.plan.mostLost)}</p>
          )}
          {view.nextLoad && <p className="text-quiet">{words.data.nextLoad(moment(view.nextLoad))}</p>}
          {view.plan.origin.kind === "QUERY" && (
            <details className="pt-1">
              <summary className="choose cursor-pointer text-sm">{words.data.query}</summary>
              <pre className="border-base-300 overflow-x-auto border-l-2 py-1 pl-3 text-sm">
                {view.plan.origin.ask}
              </pre>
            </details>
          )}
          {view.mayChange && (isSent ? <SendFile view={view} /> : <LoadNow view={view} />)}
          {view.mayChange && (
            <button type="button" className="choose mt-3 text-sm" onClick={() => setEditing(true)}>
              {words.data.changeComing}
            </button>
          )}
        </>
      )}
    </section>
  );
}

function LoadNow({ view }: { view: View }) {
  const say = useNotice();
  const load = useChange((confirmed: boolean) =>
    call<Api["LoadView"]>(`data-sets/${view.line.id}/loads/now${confirmed ? "?confirmed=true" : ""}`, {
      method: "POST",
    }),
  );
  const begin = (confirmed: boolean) =>
    load.mutate(confirmed, { onSuccess: (made) => say({ text: words.data.loaded(made.rows) }) });
  return (
    <div className="pt-3" aria-busy={load.isPending}>
      <button type="button" className="act-plain" disabled={load.isPending} onClick={() => begin(false)}>
        {words.data.loadNow}
      </button>
      {load.isPending && <p role="status">{words.data.loading}</p>}
      <Fault error={load.error} />
      <Confirm error={load.error} confirm={() => begin(true)} />
    </div>
  );
}
