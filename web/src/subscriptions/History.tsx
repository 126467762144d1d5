import { Link } from "react-router";
import type { Api } from "../api/client";
import { useWhen } from "../kit/when";
import { words } from "../words";

/** Every run with what came of it, and every version with who made it. */
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
      <section aria-label={words.history.versions}>
        <h2>{words.history.versions}</h2>
        <ul className="pt-2">
          {view.versions.map((version) => (
            <li key={version.no} className="border-base-300 border-t py-1.5">
              {words.history.version(version.no, version.by, moment(version.at))}
              <span className="text-quiet block text-xs">{version.sentence}</span>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
