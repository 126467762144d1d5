import { useEffect, useLayoutEffect, useRef } from "react";

/** How to close what is open, what was opened last at the end. */
const open: { close: () => void }[] = [];

function listen(event: KeyboardEvent) {
  const innermost = open.at(-1);
  // what has used the key for itself, such as a list of proposals, says so
  if (event.key !== "Escape" || event.defaultPrevented || !innermost) return;
  event.preventDefault();
  innermost.close();
}

/** Escape closes what was opened last, wherever the focus is. */
export function useEscape(close: () => void, isOpen = true): void {
  const latest = useRef(close);
  useLayoutEffect(() => {
    latest.current = close;
  });
  useEffect(() => {
    if (!isOpen) return;
    const entry = { close: () => latest.current() };
    open.push(entry);
    if (open.length === 1) document.addEventListener("keydown", listen);
    return () => {
      open.splice(open.indexOf(entry), 1);
      if (open.length === 0) document.removeEventListener("keydown", listen);
    };
  }, [isOpen]);
}
