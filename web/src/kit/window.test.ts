import { expect, test } from "vitest";
import { ROW, MOST_HEIGHT, windowOf } from "./window";

test("every row comes into sight, however many there are", () => {
  for (const count of [0, 1, 30, 1000, 1_000_000, 2_000_000]) {
    const top = windowOf(count, 0, 640);
    const bottom = windowOf(count, top.height - 640, 640);
    expect(top.from).toBe(0);
    expect(top.height).toBeLessThanOrEqual(MOST_HEIGHT + ROW);
    expect(bottom.end).toBe(count);
    expect(bottom.end - bottom.from).toBeLessThanOrEqual(60);
  }
});

test("few rows scroll by their own height", () => {
  const { from, end, offset } = windowOf(1000, 320, 320);
  expect(from).toBe(0);
  expect(end).toBe(30);
  expect(offset).toBe(0);
  expect(windowOf(1000, 3200, 320).from).toBe(90);
});
