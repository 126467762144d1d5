import { useState } from "react";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { inCalendar } from "../kit/calendar";
import { Tick } from "../kit/Field";
import { Loaded } from "../kit/Loaded";
import { NarrowingEditor, NarrowingParts } from "../kit/Narrowing";
import { PeriodEditor } from "../kit/PeriodEditor";
import { WeekStart } from "../kit/WeekStart";
import { words } from "../words";
import { CutEditor } from "./CutEditor";
import { contentOf, withContent, type Content, type Terms } from "./useTerms";

const SINCE_LAST_ISSUE = {
  code: "since-last-issue",
  words: words.period.sinceLastIssue,
  days: words.period.firstWeek,
};

interface Props {
  part: "WHAT" | "PERIOD" | "FILTER" | "CUT";
  report: Api["ReaderView"];
  terms: Terms;
  change: (part: Partial<Terms>) => void;
}

/** What is sent of a report: which pages, for which period, narrowed how, or as a cut has it. */
export function ContentEditor({ part, report, terms, change }: Props) {
  const content = contentOf(terms);
  const of = (changed: Partial<Content>) => change(withContent(terms, changed));
  switch (part) {
    case "WHAT":
      return <PagesEditor pages={report.pages} chosen={content.pages} change={(pages) => of({ pages })} />;
    case "PERIOD":
      return (
        <PeriodPart
          report={report}
          terms={terms}
          choose={(period) => of({ period, follows: null })}
          change={change}
        />
      );
    case "FILTER":
      return (
        <FiltersEditor
          report={report}
          content={content}
          change={(filters) => of({ filters, follows: null })}
        />
      );
    case "CUT":
      return <CutEditor report={report.report} content={content} change={of} />;
  }
}

interface PeriodProps {
  report: Api["ReaderView"];
  terms: Terms;
  choose: (period: string) => void;
  change: (part: Partial<Terms>) => void;
}

/** The days are told by the subscription's own clocks and weeks, which may be others than mine. */
function PeriodPart({ report, terms, choose, change }: PeriodProps) {
  const calendar = { zone: terms.schedule.zone, firstDayOfWeek: terms.firstDayOfWeek };
  const periods = useRead<Api["PeriodView"][]>(
    `periods?${inCalendar(calendar)}&byTime=${String(report.byTime)}`,
  );
  return (
    <>
      <Loaded query={periods}>
        {(common) => (
          <PeriodEditor
            periods={[...common, SINCE_LAST_ISSUE]}
            byTime={report.byTime}
            calendar={calendar}
            current={contentOf(terms).period}
            choose={choose}
          />
        )}
      </Loaded>
      <div className="pt-4 text-sm">
        <WeekStart current={terms.firstDayOfWeek} choose={(firstDayOfWeek) => change({ firstDayOfWeek })} />
      </div>
    </>
  );
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
  content: Content;
  change: (filters: Content["filters"]) => void;
}

function FiltersEditor({ report, content, change }: FiltersProps) {
  const [open, setOpen] = useState<string | null>(null);
  const toggle = (part: string) => setOpen(open === part ? null : part);
  return (
    <>
      <p className="pb-3">
        <NarrowingParts view={report} filters={content.filters} open={open} toggle={toggle} />
      </p>
      <NarrowingEditor
        view={report}
        cut={{ page: "", period: content.period, filters: content.filters, tables: {} }}
        open={open}
        show={setOpen}
        change={change}
      />
    </>
  );
}
