import { useState } from "react";
import type { Api } from "../api/client";
import { words } from "../words";
import { Choices } from "./Choices";
import { Linked } from "./Linked";
import { MailFrame } from "./MailFrame";
import { useWhen } from "./when";

interface Props {
  mail: Api["MailView"];
  /** Where the mail can be had as it was sent. */
  source: string;
  /** Where an attachment can be had by its name, if it can. */
  attachment?: (name: string) => string | undefined;
}

type Face = "html" | "text";

/** A mail as its reader would see it. */
export function MailView({ mail, source, attachment }: Props) {
  const [face, setFace] = useState<Face>("html");
  const when = useWhen();
  return (
    <article aria-label={mail.subject} className="border-base-300 bg-leaf border">
      <header className="border-base-300 border-b px-5 py-3">
        <h2 className="text-lg">{mail.subject}</h2>
        <p className="text-quiet text-xs">
          {words.mail.from} {mail.from} · {words.mail.to} {mail.to}
          {mail.date && ` · ${when.moment(mail.date)}`}
          {mail.listId && ` · ${words.mail.list} ${mail.listId.replace(/[<>]/g, "")}`}
        </p>
        <p className="flex flex-wrap gap-x-5 gap-y-1 pt-1 text-xs">
          {mail.html && (
            <Choices
              label={words.mail.face}
              choices={[
                { value: "html", text: words.mail.html },
                { value: "text", text: words.mail.text },
              ]}
              current={face}
              choose={setFace}
            />
          )}
          <a className="choose" href={source} target="_blank" rel="noreferrer">
            {words.mail.source}
          </a>
          {mail.attachments.map((file) => {
            const href = attachment?.(file.name);
            return href ? (
              <a key={file.name} className="choose" href={href} target="_blank" rel="noreferrer">
                {file.name}
              </a>
            ) : (
              <span key={file.name}>{words.mail.attached(file.name)}</span>
            );
          })}
        </p>
      </header>
      {mail.html && face === "html" ? (
        <MailFrame title={words.mail.body(mail.subject)} html={mail.html} />
      ) : (
        <pre className="overflow-x-auto p-5 font-mono text-xs">
          <Linked text={mail.text} />
        </pre>
      )}
    </article>
  );
}
