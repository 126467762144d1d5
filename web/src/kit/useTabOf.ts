import { useEffect } from "react";
import type { Api } from "../api/client";

const KEY = "person";

/** Whom this page has shown something of, since it was loaded. */
let shown: string | null = null;

/** Everything of the person who was signed in goes from this tab: what is unfinished, and what was read. */
export function leaveTab(to: string) {
  sessionStorage.clear();
  window.location.assign(to);
}

/** What an earlier page of this tab has kept is of one person: another begins with nothing of it. */
function take(id: string) {
  if (sessionStorage.getItem(KEY) !== id) {
    sessionStorage.clear();
    sessionStorage.setItem(KEY, id);
  }
  shown = id;
}

/**
 * What is unfinished in a tab belongs to one person. True while the tab is being emptied because somebody else has signed
 * in, in another tab or after the session of the one who is shown was over.
 */
export function useTabOf(me: Api["Me"] | null): boolean {
  const id = me === null ? null : `${me.id}`;
  const isOthers = id !== null && shown !== null && shown !== id;
  if (id !== null && !isOthers) take(id);
  useEffect(() => {
    if (isOthers) leaveTab("/");
  }, [isOthers]);
  return isOthers;
}
