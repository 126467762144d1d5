import { Link } from "react-router";
import type { Api } from "../api/client";
import { Drawing } from "../kit/Drawing";
import { words } from "../words";

/** A report in the library, as much as one wants to know before opening it. */
export function Entry({ entry }: { entry: Api["Entry"] }) {
  const mine = entry.mine[0];
  return (
    <article
      aria-label={entry.title}
      className="border-base-300 grid gap-x-6 gap-y-2 border-b py-4 sm:grid-cols-[160px_1fr_auto]"
    >
      <div className="max-sm:hidden">
        {entry.drawing && <Drawing svg={entry.drawing.svg} className="[&_text]:hidden" />}
      </div>
      <div>
        <h3 className="text-xl">
          <Link to={`/reports/${entry.id}`}>{entry.title}</Link>
        </h3>
        <p>{entry.about}</p>
        <p className="text-quiet text-xs">{entry.freshness}</p>
        {entry.lastIssue && <p className="text-quiet text-xs">{entry.lastIssue}</p>}
      </div>
      <div className="text-xs sm:text-right">
        <p className="text-quiet">{words.library.count(entry.pages, entry.subscribers)}</p>
        {mine && <p className="text-success">{words.library.youGet(mine.name)}</p>}
        <p className="pt-1 text-sm">
          {mine ? (
            <Link className="choose" to={`/subscriptions/${mine.id}`}>
              {words.library.change}
              <span className="sr-only"> {entry.title}</span>
            </Link>
          ) : (
            entry.maySubscribe && (
              <Link className="choose" to={`/compose?report=${entry.id}`}>
                {words.subscribe}
                <span className="sr-only"> {words.library.to(entry.title)}</span>
              </Link>
            )
          )}
        </p>
      </div>
    </article>
  );
}
