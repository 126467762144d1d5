import { useState } from "react";
import { Link, useParams } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Loaded } from "../kit/Loaded";
import { SetAside } from "../kit/SetAside";
import { SpineLink } from "../kit/Spine";
import { Title } from "../kit/Title";
import { useEscape } from "../kit/useEscape";
import { words } from "../words";
import { HandOverSheet } from "./HandOverSheet";
import { History } from "./History";
import { NextSend } from "./NextSend";
import { OpenAct } from "./OpenAct";
import { Recipients } from "./Recipients";
import { useActions } from "./useActions";

/** A subscription's read view: what it says, what it has sent, who gets it, what was changed. */
export function SubscriptionPage() {
  const { id = "" } = useParams();
  const kept = useRead<Api["SubscriptionView"]>(`subscriptions/${id}`, { every: 10_000 });
  return <Loaded query={kept}>{(view) => <Kept view={view} />}</Loaded>;
}

function Kept({ view }: { view: Api["SubscriptionView"] }) {
  const { line } = view;
  const actions = useActions(line);
  const [open, setOpen] = useState<"send" | "pause" | "end" | "hand over" | null>(null);
  useEscape(() => setOpen(null), open === "end");
  const changeable = line.mayChange && line.state !== "ENDED";
  return (
    <>
      <Title
        above={
          <Link className="choose" to="/subscriptions">
            {words.section.subscriptions}
          </Link>
        }
        title={line.name || words.subscriptions.unnamed}
        line={words.subscriptions.of(line.owner, words.subscriptions.states[line.state])}
        actions={
          <>
            <Link
              className={line.state === "ENDED" ? "act inline-block first-letter:uppercase" : "choose"}
              to={`/compose?like=${line.id}`}
            >
              {words.act.copy}
            </Link>
            {changeable && (
              <>
                {line.state !== "DRAFT" && (
                  <Act text={words.act.send} busy={actions.busy} act={() => setOpen("send")} />
                )}
                <Act text={words.act.try} busy={actions.busy} act={actions.attempt} />
                {line.state === "ACTIVE" && (
                  <Act text={words.act.pause} busy={actions.busy} act={() => setOpen("pause")} />
                )}
                {line.state === "PAUSED" && (
                  <Act text={words.act.resume} busy={actions.busy || line.waits} act={actions.resume} />
                )}
                {line.state === "DRAFT" && (
                  <Act text={words.act.start} busy={actions.busy} act={actions.start} />
                )}
                <Act text={words.handOver.open} busy={actions.busy} act={() => setOpen("hand over")} />
                <Act text={words.act.end} busy={actions.busy} act={() => setOpen("end")} />
                <Link className="act" to={`/compose?change=${line.id}`}>
                  {words.act.changeIt}
                </Link>
              </>
            )}
          </>
        }
      />
      <Fault error={actions.error} />
      <SetAside of={(item) => item.subscription === line.id} />
      {open !== "end" && open !== "hand over" && (
        <OpenAct line={line} open={open} actions={actions} close={() => setOpen(null)} />
      )}
      {open === "hand over" && <HandOverSheet view={view} close={() => setOpen(null)} />}
      {open === "end" && (
        <p className="border-base-content bg-leaf my-2 flex flex-wrap items-center gap-4 border p-3">
          {words.act.endMeans}
          <button
            type="button"
            className="act-plain"
            onClick={() => {
              actions.end();
              setOpen(null);
            }}
          >
            {words.act.endNow}
          </button>
          <button type="button" className="choose" onClick={() => setOpen(null)}>
            {words.leaveIt}
          </button>
        </p>
      )}
      <div className="border-base-content border-t pt-3">
        <p className="max-w-4xl font-serif text-2xl leading-snug font-semibold">{view.fullSentence}</p>
      </div>
      <div className="flex flex-wrap items-end gap-x-10 gap-y-3 pt-5">
        <div>
          <p className="head pb-1">{words.subscriptions.lastIssues}</p>
          <div className="border-base-content flex min-h-[50px] min-w-64 items-end gap-1 border-b">
            {line.spines.map((spine) => (
              <SpineLink key={spine.id} spine={spine} width={15} height={46} />
            ))}
            {line.spines.length === 0 && (
              <span className="text-quiet pb-1 text-xs">{words.subscriptions.noIssues}</span>
            )}
          </div>
        </div>
        <div>
          <p className="head pb-1">{words.subscriptions.nextSend}</p>
          <NextSend line={line} />
        </div>
      </div>
      <div className="grid gap-x-12 gap-y-8 pt-8 lg:grid-cols-2">
        <Recipients view={view} />
        <History view={view} />
      </div>
    </>
  );
}

function Act({ text, act, busy }: { text: string; act: () => void; busy: boolean }) {
  return (
    <button type="button" className="choose" disabled={busy} onClick={act}>
      {text}
    </button>
  );
}
