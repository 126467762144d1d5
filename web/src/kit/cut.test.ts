import { expect, it } from "vitest";
import { readCut, writeCut, type Cut } from "./cut";
import { MIDNIGHT, codeOf, fixedOf, reachesOf, spanOf, unitsOf } from "./spans";

it("what is set on the screen comes back from its address", () => {
  const cut: Cut = {
    page: "overview",
    period: "last-4-weeks",
    filters: [
      { column: "route", test: "ANY_OF", values: ["1 Ness–Hovden", "5 Holm ring"] },
      { column: "pier: berth", test: "ANY_OF", values: ["a:b"] },
      { column: "cause", test: "NONE_OF", values: ["wind: gale", "ice"] },
      { column: "cause", test: "CONTAINS", values: ["a..b"] },
      { column: "delay", test: "BETWEEN", values: ["-10.5", ""] },
      { column: "date", test: "BETWEEN", values: ["", "2026-11-01"] },
      { column: "route", test: "TOP", values: ["5", "cancelled"] },
      { column: "cause", test: "EMPTY", values: [] },
      { column: "vessel", test: "FILLED", values: [] },
      { column: "pier: tide", test: "FILLED", values: [] },
    ],
    tables: {
      b2: { sort: "route", descending: true, columns: ["date", "route"] },
      b3: { sort: "delay", descending: false, columns: [] },
    },
  };
  expect(readCut(new URLSearchParams(String(writeCut(cut))))).toEqual(cut);
});

it("a bare address leaves the page and the period to the report", () => {
  const bare = readCut(new URLSearchParams());
  expect(bare).toEqual({ page: "", period: "", filters: [], tables: {} });
  expect(String(writeCut(bare))).toBe("");
});

it("a period's code tells what it counts", () => {
  for (const unit of unitsOf(true)) {
    for (const count of [1, 2, 12]) {
      for (const reach of reachesOf(count, unit)) {
        for (const at of unit === "hour" ? [MIDNIGHT] : [MIDNIGHT, "04:30"]) {
          const span = { count, unit, reach, at };
          expect(spanOf(codeOf(span))).toEqual(span);
        }
      }
    }
  }
  expect(codeOf({ count: 4, unit: "week", reach: "so-far", at: MIDNIGHT })).toBe("last-4-weeks-with-this");
  expect(codeOf({ count: 1, unit: "day", reach: "complete", at: "04:00" })).toBe("yesterday@04:00");
  expect(codeOf({ count: 24, unit: "hour", reach: "so-far", at: "04:00" })).toBe("last-24-hours-with-this");
  expect(unitsOf(false)).not.toContain("hour");
  expect(spanOf("2026-11-01/2026-11-30")).toBeNull();
});

it("fixed days are moments where rows have a time, the second behind the last day", () => {
  expect(fixedOf("2026-11-01/2026-11-30", true)).toEqual({
    from: "2026-11-01T00:00",
    to: "2026-12-01T00:00",
  });
  expect(fixedOf("2026-11-01/2026-11-30", false)).toEqual({ from: "2026-11-01", to: "2026-11-30" });
  expect(fixedOf("2026-11-01T06:00/2026-11-01T18:00", true).to).toBe("2026-11-01T18:00");
  expect(fixedOf("last-week", true)).toEqual({ from: "", to: "" });
});
