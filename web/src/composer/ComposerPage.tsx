import { Link, useSearchParams } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { Title } from "../kit/Title";
import { useMe } from "../kit/useSession";
import { words } from "../words";
import { Composer } from "./Composer";
import { firstTerms, MONDAYS, type Terms } from "./useTerms";

/** A subscription being written: a new one on a report or like another, or a kept one being changed. */
export function ComposerPage() {
  const [search] = useSearchParams();
  const change = search.get("change");
  const like = search.get("like");
  const report = search.get("report");
  if (change !== null) return <ChangeKept id={change} />;
  if (like !== null) return <WriteLike id={like} />;
  return report === null ? <PickReport /> : <WriteNew report={report} search={search} />;
}

function WriteNew({ report, search }: { report: string; search: URLSearchParams }) {
  const me = useMe();
  const view = useReport(report);
  return (
    <Loaded query={view}>
      {(read) => (
        <Composer
          key={String(search)}
          draftKey={String(search)}
          report={read}
          first={firstTerms(read, search, me)}
        />
      )}
    </Loaded>
  );
}

/** A new one that begins with all that another says; what was sent by hand is sent on Mondays at first. */
function WriteLike({ id }: { id: string }) {
  const model = useRead<Api["SubscriptionView"]>(`subscriptions/${id}`);
  return <Loaded query={model}>{({ terms }) => <WriteFrom id={id} terms={terms} />}</Loaded>;
}

function WriteFrom({ id, terms }: { id: string; terms: Terms }) {
  const view = useReport(String(terms.report));
  const { schedule } = terms;
  const first = { ...terms, schedule: { ...schedule, recurrence: schedule.recurrence || MONDAYS } };
  return (
    <Loaded query={view}>
      {(read) => <Composer key={id} draftKey={`like ${id}`} report={read} first={first} />}
    </Loaded>
  );
}

function ChangeKept({ id }: { id: string }) {
  const kept = useRead<Api["SubscriptionView"]>(`subscriptions/${id}`);
  return <Loaded query={kept}>{(subscription) => <ChangeLoaded kept={subscription} />}</Loaded>;
}

function ChangeLoaded({ kept }: { kept: Api["SubscriptionView"] }) {
  const view = useReport(String(kept.terms.report));
  const key = `${kept.line.id}.${kept.version}`;
  return (
    <Loaded query={view}>
      {(read) => <Composer key={key} draftKey={key} report={read} first={kept.terms} kept={kept} />}
    </Loaded>
  );
}

const useReport = (id: string) => useRead<Api["ReaderView"]>(`reports/${id}?period=last-week&chartWidth=280`);

/** A new subscription begins with what it is about. */
function PickReport() {
  const library = useRead<Api["LibraryView"]>("library?most=1000");
  return (
    <>
      <Title title={words.composer.pick} line={words.composer.pickLine} />
      <Loaded query={library}>
        {({ entries }) => (
          <ul>
            {entries
              .filter((entry) => entry.maySubscribe)
              .map((entry) => (
                <li key={entry.id} className="border-base-300 border-t py-3">
                  <Link className="choose font-serif text-lg" to={`/compose?report=${entry.id}`}>
                    {entry.title}
                  </Link>
                  <p>{entry.about}</p>
                </li>
              ))}
            {!entries.some((entry) => entry.maySubscribe) && <li>{words.composer.nothingToPick}</li>}
          </ul>
        )}
      </Loaded>
    </>
  );
}
