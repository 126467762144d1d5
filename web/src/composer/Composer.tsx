import { useEffect, useState } from "react";
import type { Api } from "../api/client";
import { Choices } from "../kit/Choices";
import { Fault } from "../kit/Fault";
import { useCuts } from "../kit/useCuts";
import { usePageTitle } from "../kit/pageTitle";
import { words } from "../words";
import { Actions } from "./Actions";
import { Meanwhile } from "./Meanwhile";
import type { Part } from "./part";
import { PartEditor } from "./PartEditor";
import { Notes } from "./Notes";
import { Preview } from "./Preview";
import { Sends } from "./Sends";
import { Sentence } from "./Sentence";
import { TakenUp } from "./TakenUp";
import { useComposition } from "./useComposition";
import { contentOf, reportsOf, useTerms, type Terms } from "./useTerms";

export interface ComposerProps {
  /** Under which what is on the screen outlives a reload. */
  draftKey: string;
  /** Where pages of one are sent, rather than blocks on a page of its own. */
  report?: Api["ReaderView"];
  first: Terms;
  /** The subscription being changed; none for a new one. */
  kept?: Api["SubscriptionView"];
  /** What somebody else, or another window, has made of it since. */
  newer?: Api["SubscriptionView"];
  /** Has it go on from another version. */
  goOnFrom?: (version: Api["SubscriptionView"]) => void;
}

type Face = "sentence" | "preview";

/** The subscription as a sentence whose parts open their editors, beside what its recipients will get. */
export function Composer({ draftKey, report, first, kept, newer, goOnFrom }: ComposerProps) {
  const draft = useTerms(draftKey, first);
  const conflict = draft.isChanged ? newer : undefined;
  useEffect(() => {
    if (newer && !draft.isChanged) goOnFrom?.(newer);
  }, [newer, draft.isChanged, goOnFrom]);
  const [as, setAs] = useState<number | null>(null);
  const [open, setOpen] = useState<Part[]>([]);
  const [face, setFace] = useState<Face>("sentence");
  const departed = kept?.recipients.filter((each) => each.inclusion === "LEFT").map((each) => each.id) ?? [];
  const recipients = draft.terms.recipients.filter((id) => !departed.includes(id));
  const seenAs = as !== null && recipients.includes(as) ? as : (recipients[0] ?? null);
  const composition = useComposition(draft.terms, seenAs, kept?.line.id ?? null);
  const composed = composition.data;
  const toggle = (part: Part) =>
    setOpen((before) => (before.includes(part) ? before.filter((each) => each !== part) : [...before, part]));
  const editor = (part: Part) => (
    <PartEditor
      key={part}
      part={part}
      report={report}
      terms={draft.terms}
      composed={composed}
      own={kept?.line.id ?? null}
      departed={departed}
      change={draft.change}
      close={() => toggle(part)}
    />
  );
  const heading = kept ? words.composer.changing(kept.line.name) : words.composer.isNew;
  usePageTitle(heading);
  return (
    <div className="md:grid md:grid-cols-[56%_44%]">
      <p className="pt-4 md:hidden">
        <Choices
          label={words.composer.face}
          choices={[
            { value: "sentence", text: words.composer.sentenceFace },
            { value: "preview", text: words.composer.previewFace },
          ]}
          current={face}
          choose={setFace}
        />
      </p>
      <section
        aria-label={words.composer.sentence}
        className={`pt-6 md:pr-8 ${face === "sentence" ? "" : "max-md:hidden"}`}
      >
        <h1 className="text-quiet pb-1 font-sans text-xs font-normal">{heading}</h1>
        {kept && kept.lost.length > 0 && (
          <p role="alert" className="border-late my-3 border-l-2 py-1 pl-3">
            {words.composer.lost(kept.lost)}
          </p>
        )}
        {draft.isTakenUp && !conflict && <TakenUp draft={draft} />}
        {conflict && <Meanwhile newer={conflict} draft={draft} goOnFrom={goOnFrom} />}
        <Fault error={composition.error} />
        {composed && <Sentence composed={composed} open={open} toggle={toggle} editor={editor} />}
        <div className="space-y-1 pt-4">
          <Line
            said={words.composer.called}
            text={draft.terms.name || words.composer.noName}
            note={words.composer.inNameOf}
            open={open.includes("NAME")}
            toggle={() => toggle("NAME")}
          />
          {open.includes("NAME") && editor("NAME")}
          <Line
            said={words.letter.under}
            text={composed?.mail?.subject || draft.terms.letter?.subject || words.letter.usual}
            note={draft.terms.letter?.text ? words.letter.ownWords : ""}
            open={open.includes("LETTER")}
            toggle={() => toggle("LETTER")}
          />
          {open.includes("LETTER") && editor("LETTER")}
        </div>
        {report && (
          <Follows
            report={report.report}
            follows={contentOf(draft.terms).follows}
            open={open.includes("CUT")}
            toggle={() => toggle("CUT")}
          />
        )}
        {open.includes("CUT") && editor("CUT")}
        {composed && <Notes composed={composed} open={open} />}
        <Actions
          draft={draft}
          kept={kept}
          composed={composed}
          held={conflict !== undefined}
          goOnFrom={goOnFrom}
        />
      </section>
      <section
        aria-label={words.composer.preview}
        className={`bg-base-200 md:border-base-content min-h-[calc(100vh-56px)] p-4 max-md:-mx-4 md:-mr-8 md:-mb-24 md:border-l md:px-6 ${
          face === "preview" ? "" : "max-md:hidden"
        }`}
      >
        {composed && (
          <>
            <Preview
              composed={composed}
              reports={reportsOf(composed.terms)}
              draft={{ terms: draft.terms, as: seenAs, own: kept?.line.id ?? null }}
              recipients={recipients}
              setAs={setAs}
              busy={composition.isPlaceholderData}
            />
            <Sends
              sends={composed.sends}
              daysNow={composed.daysNow}
              schedule={draft.terms.schedule}
              recurs={composed.recurs}
            />
          </>
        )}
      </section>
    </div>
  );
}

interface LineProps {
  said: string;
  text: string;
  /** Behind it; "" for nothing. */
  note: string;
  open: boolean;
  toggle: () => void;
}

/** Something of the mails that the sentence does not say: opens its editor. */
function Line({ said, text, note, open, toggle }: LineProps) {
  return (
    <p>
      {said}{" "}
      <button type="button" className="choose" aria-expanded={open} onClick={toggle}>
        {text}
      </button>
      {note && <span className="text-quiet"> · {note}</span>}
    </p>
  );
}

interface FollowsProps {
  report: number;
  follows: number | null;
  open: boolean;
  toggle: () => void;
}

/** Whether it follows a cut of the report; nothing where there is none to follow. */
function Follows({ report, follows, open, toggle }: FollowsProps) {
  const cuts = useCuts(report);
  if (follows === null && (cuts.data?.cuts.length ?? 0) === 0) return null;
  return (
    <p className="pt-1">
      <span className="text-quiet">
        {follows === null ? words.composer.ownCut : words.composer.followsCut} ·{" "}
      </span>
      <button type="button" className="choose" aria-expanded={open} onClick={toggle}>
        {follows === null ? words.composer.follow : words.composer.followOther}
      </button>
    </p>
  );
}
