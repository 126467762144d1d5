import { Link } from "react-router";
import type { Api } from "../api/client";
import { useWhen } from "../kit/when";
import { words } from "../words";

/** Every run with what came of it, and what was done to it, by whom and why. */
export function History({ view }: { view: Api["SubscriptionView"] }) {
  const { moment } = useWhen();
  return (
    <div className="space-y-8">
      <section aria-label={words.history.runs}>
        <h2>{words.history.runs}</h2>
        <ul className="pt-2">
          {view.runs.map((run) => (
            <li key={run.id} className="border-base-300 flex flex-wrap gap-x-4 border-t py-1.5">
              <Link className="choose" to={`/runs/${run.id}`}>
                {moment(run.dueAt)}
              </Link>
              <span>{run.number === null ? "" : words.history.number(run.number)}</span>
              <span className="text-quiet">{run.trigger}</span>
              <span className="ml-auto">{words.outcome[run.outcome as keyof typeof words.outcome]}</span>
              {run.reason && <span className="text-quiet w-full text-xs">{run.reason}</span>}
            </li>
          ))}
          {view.runs.length === 0 && <li className="text-quiet">{words.history.noRuns}</li>}
        </ul>
      </section>
      <section aria-label={words.history.deeds}>
        <h2>{words.history.deeds}</h2>
        <ul className="pt-2">
          {view.history.map((deed) => (
            <li key={`${deed.at} ${deed.what}`} className="border-base-300 border-t py-1.5">
              <span className="flex flex-wrap gap-x-4">
                <span>{words.history.deed(deed.by, deed.what, deed.version)}</span>
                <span className="text-quiet ml-auto">{moment(deed.at)}</span>
              </span>
              {deed.because && <span className="text-quiet block text-xs">{deed.because}</span>}
              {deed.changes.map((change) => (
                <Change key={change.part} change={change} />
              ))}
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

/** A part as it was and as it is. */
function Change({ change }: { change: Api["PartChange"] }) {
  return (
    <span className="block text-xs">
      <span className="text-quiet">{words.history.part[change.part]}:</span>{" "}
      {change.before && <del className="text-quiet">{change.before}</del>}
      {change.before && change.after && " → "}
      {change.after && <ins className="no-underline">{change.after}</ins>}
    </span>
  );
}
