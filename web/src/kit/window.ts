/** Height of a row in pixels. */
export const ROW = 32;

/** Browsers draw nothing beyond some 33 million pixels; from here on a pixel of scrolling is more than one of rows. */
export const MOST_HEIGHT = 8_000_000;

/** Rows drawn beyond what is in sight, so that a scroll finds some. */
const SPARE = 10;

/** Which of many rows are drawn where. */
export interface Window {
  from: number;
  end: number;
  /** How far down the first one is drawn. */
  offset: number;
  /** Of all of them together. */
  height: number;
}

export function windowOf(count: number, scrolled: number, inSight: number): Window {
  const whole = count * ROW;
  const height = Math.min(whole, MOST_HEIGHT);
  const room = Math.max(1, height - inSight);
  const scale = Math.max(1, (whole - inSight) / room);
  const first = Math.floor((scrolled * scale) / ROW);
  const from = Math.max(0, Math.min(first, count) - SPARE);
  const end = Math.min(count, first + Math.ceil(inSight / ROW) + SPARE);
  return { from, end, offset: Math.max(0, scrolled - (scrolled * scale - from * ROW)), height };
}
