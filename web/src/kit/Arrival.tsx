import { useEffect, useRef } from "react";
import { useLocation } from "react-router";
import { useCurrentTitle } from "./pageTitle";

/** Says which page has been opened, and goes on from its content where the focus was on what is no longer there. */
export function Arrival({ content }: { content: string }) {
  const { pathname } = useLocation();
  const before = useRef(pathname);
  useEffect(() => {
    if (before.current === pathname) return;
    before.current = pathname;
    const focused = document.activeElement;
    if (!focused || focused === document.body) {
      document.getElementById(content)?.focus({ preventScroll: true });
    }
  }, [pathname, content]);
  return (
    <p role="status" className="sr-only">
      {useCurrentTitle()}
    </p>
  );
}
