import { useState } from "react";
import type { Api } from "../api/client";
import { Field, OneOf, Tick } from "../kit/Field";
import { NarrowingEditor, NarrowingParts } from "../kit/Narrowing";
import { PeriodEditor } from "../kit/PeriodEditor";
import { words } from "../words";
import { AudienceEditor } from "./AudienceEditor";
import { CutEditor } from "./CutEditor";
import { MatchingPeriod } from "./MatchingPeriod";
import type { Part } from "./part";
import type { Terms } from "./useTerms";
import { WhenEditor } from "./WhenEditor";

interface Props {
  part: Part;
  report: Api["ReaderView"];
  terms: Terms;
  notes: Api["Note"][];
  change: (part: Partial<Terms>) => void;
  close: () => void;
}

/** The editor of one part of the sentence, with what is to be said about that part under it. */
export function PartEditor({ part, notes, close, ...rest }: Props) {
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

function Editor({ part, report, terms, change }: Omit<Props, "notes" | "close">) {
  switch (part) {
    case "WHEN":
      return (
        <>
          <WhenEditor schedule={terms.schedule} change={(schedule) => change({ schedule })} />
          <MatchingPeriod
            periods={report.periods}
            terms={terms}
            change={(period) => change({ period, follows: null })}
          />
        </>
      );
    case "WHAT":
      return <PagesEditor pages={report.pages} chosen={terms.pages} change={(pages) => change({ pages })} />;
    case "PERIOD":
      return (
        <PeriodEditor
          periods={report.periods}
          current={terms.period}
          choose={(period) => change({ period, follows: null })}
        />
      );
    case "FILTER":
      return (
        <FiltersEditor
          report={report}
          terms={terms}
          change={(filters) => change({ filters, follows: null })}
        />
      );
    case "CUT":
      return <CutEditor report={report.report} terms={terms} change={change} />;
    case "SEEN_AS":
      return <SeenAsEditor report={report} seenAs={terms.seenAs} change={(seenAs) => change({ seenAs })} />;
    case "TO_WHOM":
      return (
        <AudienceEditor
          report={report.report}
          recipients={terms.recipients}
          change={(recipients) => change({ recipients })}
        />
      );
    case "AS_WHAT":
      return <OutputEditor output={terms.output} change={(output) => change({ output })} />;
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

interface PagesProps {
  pages: Api["PageName"][];
  chosen: string[];
  change: (pages: string[]) => void;
}

function PagesEditor({ pages, chosen, change }: PagesProps) {
  return (
    <div className="space-y-2">
      {pages.map((page) => (
        <Tick
          key={page.id}
          label={page.title}
          checked={chosen.includes(page.id)}
          change={(on) =>
            change(pages.map((each) => each.id).filter((id) => (id === page.id ? on : chosen.includes(id))))
          }
        />
      ))}
    </div>
  );
}

interface FiltersProps {
  report: Api["ReaderView"];
  terms: Terms;
  change: (filters: Terms["filters"]) => void;
}

function FiltersEditor({ report, terms, change }: FiltersProps) {
  const [open, setOpen] = useState<string | null>(null);
  const toggle = (part: string) => setOpen(open === part ? null : part);
  return (
    <>
      <p className="pb-3">
        <NarrowingParts view={report} filters={terms.filters} open={open} toggle={toggle} />
      </p>
      <NarrowingEditor
        view={report}
        cut={{ page: "", period: terms.period, filters: terms.filters, tables: {} }}
        open={open}
        show={setOpen}
        change={change}
      />
    </>
  );
}

interface SeenAsProps {
  report: Api["ReaderView"];
  seenAs: Terms["seenAs"];
  change: (seenAs: Terms["seenAs"]) => void;
}

/** Whose rows it shows; what the data forbid stays visible with its reason. */
function SeenAsEditor({ report, seenAs, change }: SeenAsProps) {
  const ruled = report.ruled.map((title) => title.toLowerCase());
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
      {choice("OWNER", !report.ownerView)}
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
