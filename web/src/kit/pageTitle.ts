import { useEffect, useSyncExternalStore } from "react";

const PRODUCT = "Mail Shelf";
const listeners = new Set<() => void>();

/** Names the page: on the browser's tab, in its history, and to those who hear it. */
export function usePageTitle(name: string) {
  useEffect(() => {
    document.title = name ? `${name} · ${PRODUCT}` : PRODUCT;
    listeners.forEach((tell) => tell());
  }, [name]);
}

function subscribe(tell: () => void) {
  listeners.add(tell);
  return () => void listeners.delete(tell);
}

/** The page's title, as it changes. */
export const useCurrentTitle = () => useSyncExternalStore(subscribe, () => document.title);
