import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { Title } from "../kit/Title";
import { useMe } from "../kit/useSession";
import { words } from "../words";
import { Composer, type ComposerProps } from "./Composer";
import {
  contentOf,
  draftOf,
  firstTerms,
  MONDAYS,
  standsOnOwnPage,
  termsOfClipping,
  type Terms,
} from "./useTerms";

/** A subscription being written: a new one on a report or like another, or a kept one being changed. */
export function ComposerPage() {
  const [search] = useSearchParams();
  const change = search.get("change");
  const like = search.get("like");
  const report = search.get("report");
  const clipping = search.get("clipping");
  if (change !== null) return <ChangeKept id={change} />;
  if (like !== null) return <WriteLike id={like} />;
  if (clipping !== null) return <WriteOfClipping id={clipping} once={search.has("once")} />;
  return report === null ? <PickReport /> : <WriteNew report={report} search={search} />;
}

/** Of a page of my own. */
function WriteOfClipping({ id, once }: { id: string; once: boolean }) {
  const me = useMe();
  const clipping = useRead<Api["ClippingView"]>(`clippings/${id}?chartWidth=280`);
  return (
    <Loaded query={clipping}>
      {(view) => <Composer draftKey={`clipping ${id} ${once}`} first={termsOfClipping(view, once, me)} />}
    </Loaded>
  );
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
  return (
    <Loaded query={model}>
      {({ fitted, line }) => <WriteFrom id={id} terms={line.mine ? fitted : detached(fitted)} />}
    </Loaded>
  );
}

/** With what it has now as its own: cuts and clippings that somebody else's subscription follows are not mine to follow. */
const detached = (terms: Terms): Terms => ({
  ...terms,
  clipping: null,
  content: terms.content.map((each) => ({ ...each, follows: null })),
});

function WriteFrom({ id, terms }: { id: string; terms: Terms }) {
  const { schedule } = terms;
  const first = { ...terms, schedule: { ...schedule, recurrence: schedule.recurrence || MONDAYS } };
  return <ComposerOf draftKey={`like ${id}`} first={first} />;
}

function ChangeKept({ id }: { id: string }) {
  const kept = useRead<Api["SubscriptionView"]>(`subscriptions/${id}`);
  return <Loaded query={kept}>{(read) => <ChangeFrom key={id} now={read} />}</Loaded>;
}

/** Goes on from the version that was opened: one that arrives later is shown beside it, and not put in its place. */
function ChangeFrom({ now }: { now: Api["SubscriptionView"] }) {
  const [kept, setKept] = useState(now);
  return (
    <ComposerOf
      draftKey={draftOf(kept)}
      first={kept.fitted}
      kept={kept}
      newer={now.version > kept.version ? now : undefined}
      goOnFrom={setKept}
    />
  );
}

type OfProps = Omit<ComposerProps, "report">;

/** With the report that terms are of, where they are pages of one. */
function ComposerOf(props: OfProps) {
  const { first } = props;
  return standsOnOwnPage(first) ? (
    <Composer key={props.draftKey} {...props} />
  ) : (
    <ComposerOfReport {...props} report={contentOf(first).report} />
  );
}

function ComposerOfReport({ report, ...props }: OfProps & { report: number }) {
  const view = useReport(String(report));
  return <Loaded query={view}>{(read) => <Composer key={props.draftKey} {...props} report={read} />}</Loaded>;
}

const useReport = (id: string) => useRead<Api["ReaderView"]>(`reports/${id}?chartWidth=280`);

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
