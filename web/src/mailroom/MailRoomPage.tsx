import { useState } from "react";
import { Link, useParams } from "react-router";
import { address as apiAddress, type Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { MailView } from "../kit/MailView";
import { Title } from "../kit/Title";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { Behaviour } from "./Behaviour";
import { Clock } from "./Clock";

const LIVE_MS = 3_000;

/** The demo's mail server from inside: every inbox, each mail as its reader sees it, and the demo's clock. */
export function MailRoomPage() {
  const { address } = useParams();
  const inboxes = useRead<Api["Inbox"][]>("mail-room", { every: LIVE_MS });
  const { moment } = useWhen();
  return (
    <>
      <Title title={words.section.mailRoom} line={words.mailRoom.line} />
      <Clock />
      <Loaded query={inboxes}>
        {(all) => {
          const inbox = all.find((each) => each.address === address) ?? all[0];
          return (
            <div className="grid gap-x-8 gap-y-6 pt-5 md:grid-cols-[240px_1fr]">
              <nav aria-label={words.mailRoom.inboxes}>
                {all.map((each) => (
                  <Link
                    key={each.address}
                    to={`/mail-room/${encodeURIComponent(each.address)}`}
                    aria-current={each === inbox ? "page" : undefined}
                    className={`border-base-300 block border-t py-1.5 ${each === inbox ? "bg-base-200 -mx-2 px-2" : ""}`}
                  >
                    <span className={`flex justify-between ${each === inbox ? "current" : ""}`}>
                      {each.name || each.address}
                      <span className="text-quiet text-xs">{each.mails}</span>
                    </span>
                    <span className="text-quiet block text-xs">
                      {each.newest ? moment(each.newest) : words.mailRoom.noMail}
                      {each.behaviour !== "NONE" && (
                        <span className="text-error"> · {words.behaviour[each.behaviour]}</span>
                      )}
                    </span>
                  </Link>
                ))}
              </nav>
              {inbox && <Inbox key={inbox.address} inbox={inbox} />}
            </div>
          );
        }}
      </Loaded>
    </>
  );
}

function Inbox({ inbox }: { inbox: Api["Inbox"] }) {
  const path = `mail-room/${encodeURIComponent(inbox.address)}`;
  const mails = useRead<Api["MailLine"][]>(path, { every: LIVE_MS });
  const [chosen, setChosen] = useState<string | null>(null);
  const { moment } = useWhen();
  return (
    <section aria-label={words.mailRoom.inboxOf(inbox.name || inbox.address)} className="min-w-0">
      <Behaviour inbox={inbox} />
      <Loaded query={mails}>
        {(lines) => {
          const open = lines.find((line) => line.id === chosen) ?? lines[0];
          return (
            <>
              <ul className="border-base-content max-h-44 overflow-y-auto border-y">
                {lines.map((line) => (
                  <li key={line.id} className="border-base-300 border-b last:border-b-0">
                    <button
                      type="button"
                      aria-pressed={line === open}
                      className={`flex w-full cursor-pointer justify-between gap-6 px-2 py-1.5 text-left ${
                        line === open ? "bg-base-200 font-semibold" : ""
                      }`}
                      onClick={() => setChosen(line.id)}
                    >
                      <span className="truncate">{line.subject}</span>
                      <span className="text-quiet text-xs font-normal whitespace-nowrap">
                        {line.date && moment(line.date)}
                      </span>
                    </button>
                  </li>
                ))}
                {lines.length === 0 && <li className="text-quiet px-2 py-3">{words.mailRoom.noMail}</li>}
              </ul>
              {open && <Mail path={`${path}/mails/${encodeURIComponent(open.id)}`} />}
            </>
          );
        }}
      </Loaded>
    </section>
  );
}

function Mail({ path }: { path: string }) {
  const mail = useRead<Api["MailView"]>(path);
  return (
    <div className="pt-4">
      <Loaded query={mail}>
        {(read) => (
          <MailView
            mail={read}
            source={apiAddress(`${path}/source`)}
            attachment={(name) => apiAddress(`${path}/attachments/${encodeURIComponent(name)}`)}
          />
        )}
      </Loaded>
    </div>
  );
}
