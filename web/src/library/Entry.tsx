import { Link } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Drawing } from "../kit/Drawing";
import { Favourite } from "../kit/Favourite";
import { useMe } from "../kit/useSession";
import { moment } from "../kit/when";
import { words } from "../words";

interface Props {
  entry: Api["Entry"];
  /** Named where entries of several folders are listed together. */
  folder?: string;
}

/** A report in the library, as much as one wants to know before opening it. */
export function Entry({ entry, folder }: Props) {
  const { zone } = useMe();
  const mine = entry.mine[0];
  const lines = [
    entry.freshness,
    entry.lastIssue,
    entry.openedAt && words.library.opened(moment(entry.openedAt, zone)),
  ].filter(Boolean);
  return (
    <article
      aria-label={entry.title}
      className="border-base-300 grid gap-x-6 gap-y-2 border-b py-4 sm:grid-cols-[160px_1fr_auto]"
    >
      <div className="max-sm:hidden">
        <Thumbnail report={entry.id} />
      </div>
      <div className="min-w-0">
        <h3 className="text-xl">
          <Link to={`/reports/${entry.id}`}>{entry.title}</Link>{" "}
          <Favourite report={entry.id} title={entry.title} favourite={entry.favourite} />
        </h3>
        <p>{entry.about}</p>
        <p className="text-quiet text-xs">{lines.join(" · ")}</p>
        <p className="text-quiet text-xs">{words.library.from(entry.owner, folder, entry.tags)}</p>
      </div>
      <div className="text-xs sm:text-right">
        <p className="text-quiet">{words.library.count(entry.kind, entry.pages, entry.subscribers)}</p>
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

/** The first page's chart, small, from real figures. */
function Thumbnail({ report }: { report: number }) {
  const { data } = useRead<Api["Drawing"]>(`reports/${report}/drawing`);
  return data?.chart ? <Drawing svg={data.chart.svg} className="[&_text]:hidden" /> : null;
}
