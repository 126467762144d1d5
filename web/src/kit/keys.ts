import { useLayoutEffect, useRef } from "react";

const KEPT = "keys";

/** Whether keys without Ctrl or Alt act; speech and switch users may not want them (WCAG 2.2, 2.1.4). */
export const singleKeys = () => localStorage.getItem(KEPT) !== "off";

export function setSingleKeys(on: boolean): void {
  localStorage.setItem(KEPT, on ? "on" : "off");
}

/** Calls back when a key is pressed anywhere but in a field; with Ctrl, in a field too. */
export function useKey(key: string, pressed: () => void, ctrl = false): void {
  const latest = useRef(pressed);
  useLayoutEffect(() => {
    latest.current = pressed;
  });
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.matches("input, textarea, select");
      const called = ctrl ? event.ctrlKey : !event.ctrlKey && !typing && singleKeys();
      if (event.key === key && called) {
        event.preventDefault();
        latest.current();
      }
    };
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, [key, ctrl]);
}
