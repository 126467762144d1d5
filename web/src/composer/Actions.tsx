import { useLocation, useNavigate } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, usePostOnce } from "../api/use";
import { Fault } from "../kit/Fault";
import { useNotice } from "../kit/Notices";
import { words } from "../words";
import { readRule } from "./recurrence";
import type { useTerms } from "./useTerms";

interface Props {
  draft: ReturnType<typeof useTerms>;
  kept?: Api["SubscriptionView"];
  composed?: Api["Composed"];
}

/** Start, try, keep: what can be done with the terms on the screen. */
export function Actions({ draft, kept, composed }: Props) {
  const navigate = useNavigate();
  const location = useLocation();
  const say = useNotice();
  const postOnce = usePostOnce();
  const name = draft.terms.name;
  const isDraft = !kept || kept.line.state === "DRAFT";
  const first = composed?.sends[0]?.local ?? "";
  const afterLoads = readRule(draft.terms.schedule.recurrence).kind === "load";
  const back = () => void (location.key === "default" ? navigate("/subscriptions") : navigate(-1));

  const keep = async (start: boolean): Promise<number> => {
    if (kept) {
      const id = kept.line.id;
      if (draft.isChanged) {
        const headers = { "If-Match": String(kept.version) };
        await call(`subscriptions/${id}`, { method: "PUT", body: draft.terms, headers });
      }
      if (start) await call(`subscriptions/${id}/start`, { method: "POST" });
      return id;
    }
    return (await postOnce<Api["Made"]>("subscriptions", { terms: draft.terms, start })).id;
  };
  const start = useChange(() => keep(true));
  const keepOnly = useChange(() => keep(false));
  const attempt = useChange(async () => {
    const id = await keep(false);
    const said = await postOnce<Api["RunMade"]>(`subscriptions/${id}/try`)
      .then(() => words.composer.tried)
      .catch((cause: Error) => words.composer.notTried(name, cause.message));
    return { id, said };
  });
  const once = useChange(() => postOnce<Api["RunMade"]>("sendings", draft.terms));
  const mayBeOnce = !kept && draft.terms.schedule.recurrence === "";
  const busy = start.isPending || keepOnly.isPending || attempt.isPending || once.isPending;
  const complete = composed !== undefined && composed.missing.length === 0;
  const done = (text: string, then: () => void) => {
    draft.forget();
    say({ text });
    then();
  };
  const main = isDraft
    ? {
        text: composed?.waits ? words.composer.startWaiting : words.composer.start,
        change: start,
        possible: true,
        said: composed?.waits
          ? words.composer.waiting(name)
          : words.composer.started(name, first, afterLoads),
      }
    : {
        text: words.composer.keepChanges,
        change: keepOnly,
        possible: draft.isChanged,
        said: composed?.waits
          ? words.composer.waiting(name)
          : words.composer.changed(name, first, afterLoads),
      };
  return (
    <div className="pt-6">
      <Fault error={once.error ?? start.error ?? keepOnly.error ?? attempt.error} />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-3">
        {mayBeOnce && (
          <button
            type="button"
            className="act"
            disabled={busy || !complete}
            onClick={() =>
              once.mutate(undefined, {
                onSuccess: ({ id }) =>
                  done(words.composer.sentOnce(name), () => void navigate(`/runs/${id}`, { replace: true })),
              })
            }
          >
            {words.composer.sendOnce}
          </button>
        )}
        <button
          type="button"
          className={mayBeOnce ? "act-plain" : "act"}
          disabled={busy || !complete || !main.possible}
          onClick={() => main.change.mutate(undefined, { onSuccess: () => done(main.said, back) })}
        >
          {main.text}
        </button>
        <button
          type="button"
          className="act-plain"
          disabled={busy || !complete || (!isDraft && draft.isChanged)}
          onClick={() =>
            attempt.mutate(undefined, {
              onSuccess: ({ id, said }) =>
                done(said, () => void navigate(`/compose?change=${id}`, { replace: true })),
            })
          }
        >
          {words.composer.try}
        </button>
        {isDraft && (
          <button
            type="button"
            className="choose"
            disabled={busy}
            onClick={() =>
              keepOnly.mutate(undefined, {
                onSuccess: (id) =>
                  done(words.composer.keptAsDraft(name), () => void navigate(`/subscriptions/${id}`)),
              })
            }
          >
            {words.composer.keepDraft}
          </button>
        )}
        <p className="text-quiet ml-auto text-right text-xs">
          {first && words.composer.firstSend(first)}
          {composed && (
            <span className="block">{words.composer.rowsNow(composed.rows, composed.daysNow)}</span>
          )}
          {!isDraft && draft.isChanged && <span className="block">{words.composer.tryAfterKeeping}</span>}
        </p>
      </div>
    </div>
  );
}
