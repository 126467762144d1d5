import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Heads } from "../kit/Heads";
import { Loaded } from "../kit/Loaded";
import { useNotice } from "../kit/Notices";
import { Title } from "../kit/Title";
import { useMe } from "../kit/useSession";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { CalendarForm } from "./CalendarForm";
import { PasswordField } from "./PasswordField";

/** One's own account: by which clocks one reads, where one is signed in, and the password. */
export function AccountPage() {
  const me = useMe();
  const sessions = useRead<Api["SessionLine"][]>("account/sessions");
  return (
    <>
      <Title title={words.account.title} line={`${me.name} · ${me.address} · ${me.zone}`} />
      <CalendarForm />
      <section aria-labelledby="sessions">
        <h2 id="sessions">{words.account.sessions}</h2>
        <p className="text-quiet mb-3">{words.account.sessionsLine}</p>
        <Loaded query={sessions}>{(all) => <Sessions all={all} />}</Loaded>
      </section>
      <Password />
    </>
  );
}

function Sessions({ all }: { all: Api["SessionLine"][] }) {
  const { moment } = useWhen();
  const end = useChange((id: number) => call(`account/sessions/${id}`, { method: "DELETE" }));
  return (
    <>
      <table className="stacks" aria-label={words.account.sessions}>
        <Heads names={words.account.heads} />
        <tbody>
          {all.map((session) => (
            <tr key={session.id} className="border-base-300 border-t align-top">
              <td className="py-2 pr-6">
                {session.from}
                <span className="text-quiet block max-w-md truncate text-xs" title={session.agent}>
                  {session.agent}
                </span>
              </td>
              <td className="py-2 pr-6 whitespace-nowrap">
                <Head text={words.account.heads[1]} />
                {moment(session.begunAt)}
              </td>
              <td className="py-2 pr-6 whitespace-nowrap">
                <Head text={words.account.heads[2]} />
                {moment(session.seenAt)}
              </td>
              <td className="py-2">
                {session.current ? (
                  words.account.thisOne
                ) : (
                  <button
                    type="button"
                    className="choose"
                    aria-label={words.account.endOf(session.from, moment(session.begunAt))}
                    onClick={() => end.mutate(session.id)}
                  >
                    {words.account.end}
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Fault error={end.error} />
    </>
  );
}

/** What a cell is, where a narrow screen has no heads. */
function Head({ text }: { text?: string }) {
  return (
    <span aria-hidden className="text-quiet sm:hidden">
      {text}:{" "}
    </span>
  );
}

function Password() {
  const say = useNotice();
  const [current, setCurrent] = useState("");
  const [wanted, setWanted] = useState("");
  const change = useChange(() =>
    call<Api["Ended"]>("account/password", { method: "PUT", body: { current, wanted } }),
  );
  return (
    <form
      aria-labelledby="password"
      className="mt-10"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate(undefined, {
          onSuccess: ({ ended }) => {
            say({ text: words.account.changed(ended) });
            setCurrent("");
            setWanted("");
          },
        });
      }}
    >
      <h2 id="password">{words.account.password}</h2>
      <p className="text-quiet mb-3">{words.account.passwordLine}</p>
      <div className="flex flex-wrap items-end gap-4">
        <PasswordField
          label={words.account.current}
          kind="current-password"
          value={current}
          change={setCurrent}
          className="w-72"
        />
        <PasswordField
          label={words.account.wanted}
          kind="new-password"
          value={wanted}
          change={setWanted}
          className="w-72"
        />
        <button type="submit" className="act" disabled={change.isPending}>
          {words.account.change}
        </button>
      </div>
      <Fault error={change.error} />
    </form>
  );
}
