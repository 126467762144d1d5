import { useLocation, useNavigate } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, usePostOnce } from "../api/use";
import { Fault } from "../kit/Fault";
import { useNotice } from "../kit/Notices";
import { words } from "../words";
import type { useTerms } from "./useTerms";

interface Props {
  draft: ReturnType<typeof useTerms>;
  kept?: Api["SubscriptionView"];
  composed?: Api["Composed"];
  /** Whether it has to be decided first which of two versions counts. */
  held: boolean;
  goOnFrom?: (version: Api["SubscriptionView"]) => void;
}

/** Start, try, keep: what can be done with the terms on the screen. */
export function Actions({ draft, kept, composed, held, goOnFrom }: Props) {
  const navigate = useNavigate();
  const location = useLocation();
  const say = useNotice();
  const postOnce = usePostOnce();
  const name = draft.terms.name;
  const isDraft = !kept || kept.line.state === "DRAFT";
  const first = composed?.sends[0]?.local ?? "";
  const hasIssues = kept !== undefined && kept.line.spines.length > 0;
  const afterLoads = composed?.recurs === "LOAD";
  /** Also where the report has lost something, and the terms on the screen go without it. */
  const isChanged = draft.isChanged || (kept?.lost.length ?? 0) > 0;
  const back = () => void (location.key === "default" ? navigate("/subscriptions") : navigate(-1));

  const keep = async (start: boolean): Promise<number> => {
    if (kept) {
      const id = kept.line.id;
      if (isChanged) {
        const headers = { "If-Match": `"${kept.version}"` };
        await call(`subscriptions/${id}`, { method: "PUT", body: draft.terms, headers });
      }
      if (start) await call(`subscriptions/${id}/start`, { method: "POST" });
      return id;
    }
    return (await postOnce<Api["Made"]>("subscriptions", { terms: draft.terms, start })).id;
  };
  const done = (text: string, then: () => void) => {
    draft.forget();
    say({ text });
    then();
  };
  /** Back where one was, with what holds it up where something does. */
  const counts = (text: string) => () => done(composed?.waits ? words.composer.waiting(name) : text, back);
  const start = useChange(() => keep(true), counts(words.composer.started(name, first, afterLoads)));
  const keepDraft = useChange(
    () => keep(false),
    (id) => done(words.composer.keptAsDraft(name), () => void navigate(`/subscriptions/${id}`)),
  );
  const keepChanges = useChange(() => keep(false), counts(words.composer.changed(name, first, afterLoads)));
  const attempt = useChange(
    async () => {
      const id = await keep(false);
      const said = await postOnce<Api["RunMade"]>(`subscriptions/${id}/try`)
        .then(() => words.composer.tried)
        .catch((cause: Error) => words.composer.notTried(name, cause.message));
      return { id, said, kept: await call<Api["SubscriptionView"]>(`subscriptions/${id}`) };
    },
    ({ id, said, kept: now }) =>
      done(said, () => {
        goOnFrom?.(now);
        void navigate(`/compose?change=${id}`, { replace: true });
      }),
  );
  const once = useChange(
    () => postOnce<Api["RunMade"]>("sendings", draft.terms),
    ({ id }) => done(words.composer.sentOnce(name), () => void navigate(`/runs/${id}`, { replace: true })),
  );
  const mayBeOnce = !kept && composed?.recurs === "DEMAND";
  const acts = [start, keepDraft, keepChanges, attempt, once];
  const busy = held || acts.some((act) => act.isPending);
  const complete = composed !== undefined && composed.missing.length === 0;
  const main = isDraft
    ? {
        text: composed?.waits ? words.composer.startWaiting : words.composer.start,
        change: start,
        possible: true,
      }
    : {
        text: words.composer.keepChanges,
        change: keepChanges,
        possible: isChanged,
      };
  return (
    <div className="pt-6">
      <Fault error={acts.map((act) => act.error).find((error) => error !== null) ?? null} />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-3">
        {mayBeOnce && (
          <button
            type="button"
            className="act"
            disabled={busy || !complete}
            onClick={() => once.mutate(undefined)}
          >
            {words.composer.sendOnce}
          </button>
        )}
        <button
          type="button"
          className={mayBeOnce ? "act-plain" : "act"}
          disabled={busy || !complete || !main.possible}
          onClick={() => main.change.mutate(undefined)}
        >
          {main.text}
        </button>
        <button
          type="button"
          className="act-plain"
          disabled={busy || !complete || (!isDraft && isChanged)}
          onClick={() => attempt.mutate(undefined)}
        >
          {words.composer.try}
        </button>
        {isDraft && (
          <button
            type="button"
            className="choose"
            disabled={busy}
            onClick={() => keepDraft.mutate(undefined)}
          >
            {words.composer.keepDraft}
          </button>
        )}
        <p className="text-quiet ml-auto text-right text-xs">
          {first && (hasIssues ? words.composer.nextSend(first) : words.composer.firstSend(first))}
          {composed && (
            <span className="block">{words.composer.rowsNow(composed.rows, composed.daysNow)}</span>
          )}
          {!isDraft && isChanged && <span className="block">{words.composer.tryAfterKeeping}</span>}
        </p>
      </div>
    </div>
  );
}
