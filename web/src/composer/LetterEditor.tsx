import { useRef, useState } from "react";
import { flushSync } from "react-dom";
import type { Api } from "../api/client";
import { Field } from "../kit/Field";
import { words } from "../words";

type Letter = Api["LetterPattern"];

interface Props {
  letter: Letter | null;
  /** What it can be written with; nothing before the first answer. */
  view?: Api["LetterView"];
  change: (letter: Letter | null) => void;
}

const USUAL: Letter = { subject: "", text: "" };

/** Subject and text of the mails, with fields put in where one writes; the preview shows what they say. */
export function LetterEditor({ letter, view, change }: Props) {
  const usual = view?.usualSubject ?? "";
  const [now, setNow] = useState<Letter>({ subject: letter?.subject || usual, text: letter?.text ?? "" });
  const [into, setInto] = useState<keyof Letter>("subject");
  const subject = useRef<HTMLInputElement>(null);
  const text = useRef<HTMLTextAreaElement>(null);
  const set = (next: Letter) => {
    setNow(next);
    const own = { ...next, subject: next.subject === usual ? "" : next.subject };
    change(own.subject === "" && own.text === "" ? null : own);
  };
  const put = (field: string) => {
    const box = into === "subject" ? subject.current : text.current;
    if (!box) return;
    const [from, to] = [box.selectionStart ?? now[into].length, box.selectionEnd ?? now[into].length];
    const written = `{${field}}`;
    flushSync(() => set({ ...now, [into]: now[into].slice(0, from) + written + now[into].slice(to) }));
    box.focus();
    box.setSelectionRange(from + written.length, from + written.length);
  };
  return (
    <div className="space-y-3 text-sm">
      <Field
        ref={subject}
        label={words.letter.subject}
        maxLength={200}
        placeholder={usual}
        value={now.subject}
        onFocus={() => setInto("subject")}
        onChange={(event) => set({ ...now, subject: event.target.value })}
      />
      <label className="block">
        <span className="head">{words.letter.text}</span>
        <textarea
          ref={text}
          className="fill h-auto py-2"
          rows={4}
          maxLength={2000}
          value={now.text}
          onFocus={() => setInto("text")}
          onChange={(event) => set({ ...now, text: event.target.value })}
        />
      </label>
      <Fields fields={view?.fields ?? []} into={into} put={put} />
      <p className="text-quiet text-xs">{words.letter.otherwise}</p>
      {letter !== null && (
        <button type="button" className="choose" onClick={() => set({ ...USUAL, subject: usual })}>
          {words.letter.asUsual}
        </button>
      )}
    </div>
  );
}

interface FieldsProps {
  fields: Api["FieldPreview"][];
  into: keyof Letter;
  put: (field: string) => void;
}

function Fields({ fields, into, put }: FieldsProps) {
  return (
    <div>
      <p className="head">{words.letter.putIn[into]}</p>
      <ul
        aria-label={words.letter.fields}
        tabIndex={0}
        className="grid max-h-48 gap-x-8 overflow-y-auto sm:grid-cols-2"
      >
        {fields.map(({ field, says }) => (
          <li
            key={field}
            className="border-base-300 flex flex-wrap items-baseline justify-between gap-x-3 border-b py-1"
          >
            <button type="button" className="choose text-left" onClick={() => put(field)}>
              {field}
            </button>
            <span className="text-quiet line-clamp-2 text-xs break-words">{says}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
