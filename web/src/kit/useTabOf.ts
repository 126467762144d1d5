import { useEffect } from "react";
import type { Api } from "../api/client";

const KEY = "person";

/** Everything of the person who was signed in goes from this tab: what is unfinished, and what was read. */
export function leaveTab(to: string) {
  sessionStorage.clear();
  window.location.assign(to);
}

/**
 * What is unfinished in a tab belongs to one person. True while the tab is being emptied because somebody else has signed
 * in, here or in another tab.
 */
export function useTabOf(me: Api["Me"] | null): boolean {
  const holder = sessionStorage.getItem(KEY);
  const id = me === null ? null : `${me.id}`;
  const isOthers = id !== null && holder !== null && holder !== id;
  useEffect(() => {
    if (isOthers) {
      leaveTab("/");
    } else if (id !== null) {
      sessionStorage.setItem(KEY, id);
    }
  }, [isOthers, id]);
  return isOthers;
}
