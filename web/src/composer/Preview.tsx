import { useState } from "react";
import type { Api } from "../api/client";
import { useChange } from "../api/use";
import { Choices } from "../kit/Choices";
import { Fault } from "../kit/Fault";
import { MailFrame } from "../kit/MailFrame";
import { words } from "../words";
import { useCandidates } from "./useCandidates";
import { saveFile } from "./useComposition";

interface Props {
  composed: Api["Composed"];
  reports: number[];
  draft: Api["Draft"];
  recipients: number[];
  setAs: (person: number) => void;
  busy: boolean;
}

type Face = "mail" | "text" | "pdf";

/** The mail and the file as the chosen recipient gets them. */
export function Preview({ composed, reports, draft, recipients, setAs, busy }: Props) {
  const [face, setFace] = useState<Face>("mail");
  const { mail, pdf } = composed;
  const faces = [
    { value: "mail" as const, text: words.preview.mail },
    { value: "text" as const, text: words.preview.text },
    ...(pdf ? [{ value: "pdf" as const, text: words.preview.pdf(pdf.sheets.length, pdf.size) }] : []),
  ];
  return (
    <div aria-busy={busy} className={busy ? "opacity-60" : ""}>
      <p className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1 pt-2 pb-3 text-sm">
        <As reports={reports} draft={draft} recipients={recipients} setAs={setAs} />
        <Choices label={words.preview.faces} choices={faces} current={face} choose={setFace} />
      </p>
      <div role="group" aria-label={words.preview.face} tabIndex={0} className="max-h-[58vh] overflow-y-auto">
        {!mail && <p className="text-quiet">{composed.withheld || words.preview.nothing}</p>}
        {mail && face !== "pdf" && (
          <div className="bg-leaf border-base-300 border">
            <p className="border-base-300 border-b px-5 py-3">
              <span className="text-quiet block text-xs">{words.preview.fromTo(mail.from, mail.to)}</span>
              <span className="font-serif text-lg font-semibold">{mail.subject}</span>
            </p>
            {face === "mail" ? (
              <MailFrame title={words.preview.mailOf(mail.to)} html={mail.html} />
            ) : (
              <pre className="overflow-x-auto p-5 font-mono text-xs">{mail.text}</pre>
            )}
          </div>
        )}
        {pdf && face === "pdf" && <Sheets sheets={pdf.sheets} draft={draft} />}
      </div>
    </div>
  );
}

function As({
  reports,
  draft,
  recipients,
  setAs,
}: Pick<Props, "reports" | "draft" | "recipients" | "setAs">) {
  const candidates = useCandidates(reports).data ?? [];
  const people = candidates.filter((person) => recipients.includes(person.id));
  if (people.length === 0) return <span />;
  return (
    <label>
      {words.preview.as}{" "}
      <select
        className="choose bg-transparent"
        value={draft.as ?? undefined}
        onChange={(event) => setAs(Number(event.target.value))}
      >
        {people.map((person) => (
          <option key={person.id} value={person.id}>
            {person.name}
          </option>
        ))}
      </select>{" "}
      {words.preview.gets}
    </label>
  );
}

function Sheets({ sheets, draft }: { sheets: string[]; draft: Api["Draft"] }) {
  const save = useChange(() => saveFile(draft));
  return (
    <>
      <p className="pb-2 text-sm">
        <button type="button" className="choose" onClick={() => save.mutate()}>
          {words.preview.saveFile}
        </button>
      </p>
      <Fault error={save.error} />
      <ol className="space-y-4">
        {sheets.map((sheet, i) => (
          <li
            key={i}
            aria-label={words.preview.sheet(i + 1, sheets.length)}
            className="on-paper border-base-300 border"
            dangerouslySetInnerHTML={{ __html: sheet }}
          />
        ))}
      </ol>
    </>
  );
}
