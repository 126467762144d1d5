import { useCallback, useState, type RefCallback } from "react";

const STEP = 16;

/**
 * The width of an element in CSS pixels, in steps, so that not every pixel of a drag draws anew; {@code first} until it is
 * there to be measured, which is before anything is painted.
 */
export function useWidth(first = 0) {
  const [width, setWidth] = useState(first);
  const measure: RefCallback<HTMLElement> = useCallback((element) => {
    if (!element) return undefined;
    const read = () => setWidth(Math.max(STEP, Math.floor(element.clientWidth / STEP) * STEP));
    read();
    const observer = new ResizeObserver(read);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [width, measure] as const;
}
