import { useState } from "react";
import type { Api } from "../api/client";
import { readCut } from "../kit/cut";

export type Terms = Api["Terms"];

export const MONDAYS = "FREQ=WEEKLY;BYDAY=MO";

/** The parts that a new subscription begins with: what was on the screen, for myself, Mondays at seven or on demand. */
export function firstTerms(report: Api["ReaderView"], search: URLSearchParams, me: Api["Me"]): Terms {
  const cut = readCut(search);
  const follows = search.get("cut");
  return {
    name: report.title,
    report: report.report,
    pages: cut.page ? [cut.page] : report.pages.map((page) => page.id),
    follows: follows === null ? null : Number(follows),
    period: cut.period,
    firstDayOfWeek: "MONDAY",
    filters: cut.filters,
    seenAs: "RECIPIENT",
    recipients: [me.id],
    output: { pdf: true, picture: false },
    schedule: { recurrence: search.has("once") ? "" : MONDAYS, at: "07:00", zone: me.zone },
    locale: "en",
  };
}

const keptUnder = (key: string) => `composer:${key}`;

function kept(key: string): Terms | null {
  const text = sessionStorage.getItem(keptUnder(key));
  return text === null ? null : (JSON.parse(text) as Terms);
}

/** The terms on the screen, kept in this tab under {@code key} so that a reload loses nothing. */
export function useTerms(key: string, first: Terms) {
  const [terms, setTerms] = useState(() => kept(key) ?? first);
  return {
    terms,
    isChanged: JSON.stringify(terms) !== JSON.stringify(first),
    change: (part: Partial<Terms>) => {
      const next = { ...terms, ...part };
      sessionStorage.setItem(keptUnder(key), JSON.stringify(next));
      setTerms(next);
    },
    forget: () => sessionStorage.removeItem(keptUnder(key)),
  };
}
