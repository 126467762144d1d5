import { useState } from "react";
import { Link } from "react-router";
import type { Api } from "../api/client";
import { Fault } from "../kit/Fault";
import { SpineLink } from "../kit/Spine";
import { words } from "../words";
import { NextSend } from "./NextSend";
import { OpenAct } from "./OpenAct";
import { useActions } from "./useActions";

/** One subscription in the list; what can be done with it stands on its row. */
export function Row({ line }: { line: Api["SubscriptionLine"] }) {
  const actions = useActions(line);
  const [open, setOpen] = useState<"send" | "pause" | null>(null);
  const action = (text: string, act: () => void, waits = false) => (
    <button
      type="button"
      className="choose"
      aria-label={`${text}: ${line.name}`}
      disabled={actions.busy || waits}
      onClick={act}
    >
      {text}
    </button>
  );
  return (
    <li className="border-base-300 grid gap-x-6 gap-y-1 border-b py-3 lg:grid-cols-[1fr_200px_150px_190px]">
      <div className="min-w-0">
        <h2 className="text-lg">
          <Link to={`/subscriptions/${line.id}`}>{line.name || words.subscriptions.unnamed}</Link>
        </h2>
        <p className="text-xs">{line.sentence}</p>
        <Fault error={actions.error} />
        <OpenAct line={line} open={open} actions={actions} close={() => setOpen(null)} />
      </div>
      <div className="flex items-start pt-1">
        {line.spines.map((spine) => (
          <SpineLink key={spine.id} spine={spine} width={9} height={20} />
        ))}
      </div>
      <NextSend line={line} />
      <div className="text-xs lg:text-right">
        <p className="text-quiet">{line.owner}</p>
        {line.mayChange && (
          <p className="flex flex-wrap gap-x-3 gap-y-1 pt-1 lg:justify-end">
            {line.state !== "ENDED" &&
              line.state !== "DRAFT" &&
              action(words.act.send, () => setOpen("send"))}
            {line.state !== "ENDED" && action(words.act.try, actions.attempt)}
            {line.state === "ACTIVE" && action(words.act.pause, () => setOpen("pause"))}
            {line.state === "PAUSED" && action(words.act.resume, actions.resume, line.waits)}
            {line.state !== "ENDED" && (
              <Link
                className="choose"
                to={`/compose?change=${line.id}`}
                aria-label={`${words.act.change}: ${line.name}`}
              >
                {words.act.change}
              </Link>
            )}
          </p>
        )}
      </div>
    </li>
  );
}
