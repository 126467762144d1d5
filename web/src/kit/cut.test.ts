import { expect, it } from "vitest";
import { readCut, writeCut, type Cut } from "./cut";
import { codeOf, reachesOf, spanOf, UNITS } from "./spans";

it("what is set on the screen comes back from its address", () => {
  const cut: Cut = {
    page: "overview",
    period: "last-4-weeks",
    filters: [
      { column: "route", test: "ANY_OF", values: ["1 Ness–Hovden", "5 Holm ring"] },
      { column: "cause", test: "NONE_OF", values: ["wind: gale", "ice"] },
      { column: "cause", test: "CONTAINS", values: ["a..b"] },
      { column: "delay", test: "BETWEEN", values: ["-10.5", ""] },
      { column: "date", test: "BETWEEN", values: ["", "2026-11-01"] },
      { column: "route", test: "TOP", values: ["5", "cancelled"] },
      { column: "cause", test: "EMPTY", values: [] },
      { column: "vessel", test: "FILLED", values: [] },
    ],
    tables: {
      b2: { sort: "route", descending: true, columns: ["date", "route"] },
      b3: { sort: "delay", descending: false, columns: [] },
    },
  };
  expect(readCut(new URLSearchParams(String(writeCut(cut))))).toEqual(cut);
});

it("a bare address means the first page for last week", () =>
  expect(readCut(new URLSearchParams())).toEqual({ page: "", period: "last-week", filters: [], tables: {} }));

it("a period's code tells what it counts", () => {
  for (const unit of UNITS) {
    for (const count of [1, 2, 12]) {
      for (const reach of reachesOf(count, unit)) {
        const span = { count, unit, reach };
        expect(spanOf(codeOf(span))).toEqual(span);
      }
    }
  }
  expect(codeOf({ count: 4, unit: "week", reach: "so-far" })).toBe("last-4-weeks-with-this");
  expect(spanOf("2026-11-01/2026-11-30")).toBeNull();
});
