import { useState } from "react";
import type { Api } from "../api/client";
import { readCut } from "../kit/cut";

export type Terms = Api["Terms"];
export type Content = Terms["content"][number];

/** What is sent of the report, where it is pages of one. */
export const contentOf = (terms: Terms) => terms.content[0] as Content;

/** The same with something of that changed. */
export const withContent = (terms: Terms, part: Partial<Content>): Partial<Terms> => ({
  content: [{ ...contentOf(terms), ...part }],
});

export type FreshData = NonNullable<Terms["freshData"]>;

/** Data of which nothing is asked. */
const AS_THEY_ARE: FreshData = { loadFirst: false, waitHours: 0, ifStale: "SEND" };

/** What is asked of its data. */
export const asksOfData = (terms: Terms) => terms.freshData ?? AS_THEY_ARE;

/** The same with some of that changed. */
export function withFreshData(terms: Terms, part: Partial<FreshData>): Partial<Terms> {
  const next = { ...asksOfData(terms), ...part };
  const asksNothing = !next.loadFirst && next.waitHours === 0 && next.ifStale === "SEND";
  return { freshData: asksNothing ? null : next };
}

/** Whether it is blocks of several reports on a page of its own. */
export const standsOnOwnPage = (terms: Terms) =>
  terms.clipping !== null || terms.content.some((each) => each.blocks.length > 0);

/** The reports that it takes from, each once. */
export const reportsOf = (terms: Terms) => [...new Set(terms.content.map((each) => each.report))];

export const MONDAYS = "FREQ=WEEKLY;BYDAY=MO";

/** The parts that a new subscription begins with: what was on the screen, for myself, Mondays at seven or on demand. */
export function firstTerms(report: Api["ReaderView"], search: URLSearchParams, me: Api["Me"]): Terms {
  const cut = readCut(search);
  const follows = search.get("cut");
  const pages = {
    report: report.report,
    pages: cut.page ? [cut.page] : report.pages.map((page) => page.id),
    blocks: [],
    follows: follows === null ? null : Number(follows),
    period: cut.period || report.period.code,
    filters: cut.filters,
  };
  return {
    ...mine(me, search.has("once")),
    name: report.title,
    content: [pages],
    clipping: null,
  };
}

/** The same for a page of my own; what is on it is taken from there. */
export function termsOfClipping(clipping: Api["ClippingView"], once: boolean, me: Api["Me"]): Terms {
  return { ...mine(me, once), name: clipping.name, content: [], clipping: clipping.id };
}

const mine = (me: Api["Me"], once: boolean) => ({
  firstDayOfWeek: me.firstDayOfWeek,
  seenAs: "RECIPIENT" as const,
  recipients: [me.id],
  output: { pdf: true, picture: false },
  schedule: { recurrence: once ? "" : MONDAYS, at: "07:00", zone: me.zone },
  freshData: null,
  letter: null,
  locale: me.locale,
});

/** Under which the changes to a version of a subscription are kept in this tab. */
export const draftOf = (kept: Api["SubscriptionView"]) => `${kept.line.id}.${kept.version}`;

const keptUnder = (key: string) => `composer:${key}`;

function kept(key: string): Terms | null {
  const text = sessionStorage.getItem(keptUnder(key));
  return text === null ? null : (JSON.parse(text) as Terms);
}

/** The terms on the screen, kept in this tab under {@code key} so that a reload loses nothing. */
export function useTerms(key: string, first: Terms) {
  const [terms, setTerms] = useState(() => kept(key) ?? first);
  const isChanged = JSON.stringify(terms) !== JSON.stringify(first);
  const [isTakenUp, setTakenUp] = useState(isChanged);
  return {
    terms,
    isChanged,
    /** Whether it goes on from what was left here before. */
    isTakenUp,
    beginAnew: () => {
      sessionStorage.removeItem(keptUnder(key));
      setTerms(first);
      setTakenUp(false);
    },
    change: (part: Partial<Terms>) => {
      const next = { ...terms, ...part };
      sessionStorage.setItem(keptUnder(key), JSON.stringify(next));
      setTerms(next);
    },
    /** Has what is on the screen be changes to something else. */
    moveTo: (other: string) => {
      sessionStorage.setItem(keptUnder(other), JSON.stringify(terms));
      sessionStorage.removeItem(keptUnder(key));
    },
    forget: () => sessionStorage.removeItem(keptUnder(key)),
  };
}
