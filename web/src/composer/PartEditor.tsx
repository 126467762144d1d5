import type { Api } from "../api/client";
import { Field, OneOf, Tick } from "../kit/Field";
import { useEscape } from "../kit/useEscape";
import { inSentence, words } from "../words";
import { AudienceEditor } from "./AudienceEditor";
import { BlocksEditor } from "./BlocksEditor";
import { ContentEditor } from "./ContentEditor";
import { LetterEditor } from "./LetterEditor";
import { MatchingPeriod } from "./MatchingPeriod";
import type { Part } from "./part";
import { contentOf, reportsOf, withContent, type Terms } from "./useTerms";
import { UnlessEditor } from "./UnlessEditor";
import { WhenEditor } from "./WhenEditor";

interface Props {
  part: Part;
  /** Where pages of one are sent. */
  report?: Api["ReaderView"];
  terms: Terms;
  composed?: Api["Composed"];
  /** The subscription that is being changed. */
  own: number | null;
  /** Those on its list who have left, and are sent nothing. */
  departed: number[];
  change: (part: Partial<Terms>) => void;
  close: () => void;
}

/** The editor of one part of the sentence, with what is to be said about that part under it. */
export function PartEditor({ part, close, ...rest }: Props) {
  useEscape(close);
  const notes = rest.composed?.notes ?? [];
  return (
    <div role="group" aria-label={words.part[part]} className="border-base-content bg-leaf my-3 border p-4">
      <Editor part={part} {...rest} />
      {notes
        .filter((note) => note.part === part)
        .map((note) => (
          <p
            key={note.text}
            className={`pt-2 text-sm first-letter:uppercase ${note.serious ? "text-error" : "text-late"}`}
          >
            {note.text}
          </p>
        ))}
      <button type="button" className="choose mt-3 text-sm" onClick={close}>
        {words.composer.closeEditor}
      </button>
    </div>
  );
}

function Editor({ part, report, terms, composed, own, departed, change }: Omit<Props, "close">) {
  switch (part) {
    case "WHEN":
      return (
        <>
          <WhenEditor terms={terms} change={change} />
          {report && (
            <MatchingPeriod
              periods={report.periods}
              schedule={terms.schedule}
              period={contentOf(terms).period}
              change={(period) => change(withContent(terms, { period, follows: null }))}
            />
          )}
        </>
      );
    case "WHAT":
    case "PERIOD":
    case "FILTER":
    case "CUT":
      return report ? (
        <ContentEditor part={part} report={report} terms={terms} change={change} />
      ) : (
        composed && <BlocksEditor terms={terms} composed={composed} change={change} />
      );
    case "SEEN_AS":
      return (
        composed && (
          <SeenAsEditor composed={composed} seenAs={terms.seenAs} change={(seenAs) => change({ seenAs })} />
        )
      );
    case "TO_WHOM":
      return (
        <AudienceEditor
          reports={reportsOf(composed?.terms ?? terms)}
          recipients={terms.recipients}
          departed={departed}
          own={own}
          change={(recipients) => change({ recipients })}
        />
      );
    case "AS_WHAT":
      return <OutputEditor output={terms.output} change={(output) => change({ output })} />;
    case "UNLESS":
      return <UnlessEditor terms={terms} change={change} />;
    case "LETTER":
      return (
        <LetterEditor letter={terms.letter} view={composed?.letter} change={(letter) => change({ letter })} />
      );
    case "NAME":
      return (
        <Field
          label={words.composer.name}
          value={terms.name}
          maxLength={120}
          onChange={(event) => change({ name: event.target.value })}
        />
      );
  }
}

interface SeenAsProps {
  composed: Api["Composed"];
  seenAs: Terms["seenAs"];
  change: (seenAs: Terms["seenAs"]) => void;
}

/** Whose rows it shows; what the data forbid stays visible with its reason. */
function SeenAsEditor({ composed, seenAs, change }: SeenAsProps) {
  const ruled = composed.ruled.map(inSentence);
  const choice = (value: Terms["seenAs"], disabled: boolean) => (
    <p>
      <OneOf
        name="seen-as"
        label={words.seenAs[value]}
        hint={disabled ? words.seenAs.forbidden : words.seenAs.meaning[value](ruled)}
        checked={seenAs === value}
        disabled={disabled}
        choose={() => change(value)}
      />
    </p>
  );
  return (
    <fieldset className="space-y-3">
      <legend className="sr-only">{words.part.SEEN_AS}</legend>
      {choice("RECIPIENT", false)}
      {choice("OWNER", !composed.ownerView)}
    </fieldset>
  );
}

interface OutputProps {
  output: Terms["output"];
  change: (output: Terms["output"]) => void;
}

function OutputEditor({ output, change }: OutputProps) {
  return (
    <div className="space-y-2">
      <Tick label={words.output.mail} checked disabled change={() => undefined} />
      <Tick label={words.output.pdf} checked={output.pdf} change={(pdf) => change({ ...output, pdf })} />
      <Tick
        label={words.output.picture}
        checked={output.picture}
        change={(picture) => change({ ...output, picture })}
      />
    </div>
  );
}
