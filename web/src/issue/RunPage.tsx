import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Loaded } from "../kit/Loaded";
import { useNotice } from "../kit/Notices";
import { SetAside } from "../kit/SetAside";
import { Title } from "../kit/Title";
import { useWhen } from "../kit/when";
import { words } from "../words";

type Run = Api["RunView"];

const LIVE_MS = 1_000;

/** One run: who got what, who did not and why, and trying again. */
export function RunPage() {
  const { id = "" } = useParams();
  const [closed, setClosed] = useState(false);
  const run = useRead<Run>(`runs/${id}`, { every: closed ? false : LIVE_MS });
  if (run.data && closed !== (run.data.state === "CLOSED")) {
    setClosed(run.data.state === "CLOSED");
  }
  return <Loaded query={run}>{(view) => <Shown run={view} />}</Loaded>;
}

function Shown({ run }: { run: Run }) {
  const { moment } = useWhen();
  const say = useNotice();
  const navigate = useNavigate();
  const again = useChange(() => call<Api["Again"]>(`runs/${run.id}/try-again`, { method: "POST" }));
  const missing = run.recipients.filter((recipient) => recipient.canBeTriedAgain).length;
  return (
    <>
      <Title
        above={
          run.subscription === null ? (
            run.name
          ) : (
            <Link className="choose" to={`/subscriptions/${run.subscription}`}>
              {run.name}
            </Link>
          )
        }
        title={run.sentence}
        line={words.run.line(run.trigger, run.askedBy ?? "", moment(run.dueAt))}
        actions={
          <>
            {run.issue !== null && (
              <Link className="choose" to={`/issues/${run.issue}`}>
                {run.number === null ? words.run.trial : words.run.issue(run.number)}
              </Link>
            )}
            {run.mayChange && run.couldNotBeMade && (
              <button
                type="button"
                className="act"
                disabled={again.isPending}
                onClick={() =>
                  again.mutate(undefined, { onSuccess: (made) => void navigate(`/runs/${made.run}`) })
                }
              >
                {words.run.tryAgain}
              </button>
            )}
            {run.mayChange && missing > 0 && (
              <button
                type="button"
                className="act"
                disabled={again.isPending}
                onClick={() =>
                  again.mutate(undefined, {
                    onSuccess: ({ deliveries }) => say({ text: words.run.trying(deliveries) }),
                  })
                }
              >
                {words.run.sendToMissing(missing)}
              </button>
            )}
          </>
        }
      />
      <Fault error={again.error} />
      <SetAside of={(item) => item.run === run.id} />
      {run.because && <p className="text-error max-w-prose pb-3 text-sm">{words.run.because(run.because)}</p>}
      {run.others > 0 && <p className="text-quiet pb-2">{words.recipients.others(run.others)}</p>}
      <div className="overflow-x-auto">
        <table className="stacks" aria-label={words.run.recipients}>
          <thead>
            <tr className="border-base-content border-t">
              {words.run.heads.map((head) => (
                <th key={head} scope="col" className="head py-2 pr-6 text-left">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {run.recipients.map((recipient) => (
              <Recipient key={recipient.address} recipient={recipient} issue={run.issue} />
            ))}
          </tbody>
        </table>
      </div>
      {run.recipients.length === 0 && <p className="text-quiet py-3">{words.run.nobody}</p>}
    </>
  );
}

function Recipient({ recipient, issue }: { recipient: Api["RunRecipient"]; issue: number | null }) {
  const { moment } = useWhen();
  const last = recipient.tries.at(-1);
  return (
    <tr className="border-base-300 border-t align-top">
      <td className="py-2 pr-6">
        {recipient.name}
        <span className="text-quiet block text-xs">
          {recipient.address}
          {issue !== null && recipient.copy !== null && (
            <Link
              className="choose ml-3"
              to={`/issues/${issue}?copy=${recipient.copy}`}
              aria-label={words.run.copyOf(recipient.name)}
            >
              {words.run.copy}
            </Link>
          )}
        </span>
      </td>
      <td className={`py-2 pr-6 ${recipient.fine ? "" : "text-error"}`}>
        {recipient.words}
        {recipient.nextTry && (
          <span className="text-late block text-xs">{words.run.nextTry(moment(recipient.nextTry))}</span>
        )}
      </td>
      <td className="text-quiet py-2 pr-6 max-sm:!hidden">{last ? moment(last.at) : ""}</td>
      <td className="text-quiet py-2 text-xs">
        {recipient.tries.map((attempt) => (
          <p key={attempt.number}>
            {words.run.attempt(attempt.number, moment(attempt.at), attempt.words, attempt.reply)}
          </p>
        ))}
      </td>
    </tr>
  );
}
