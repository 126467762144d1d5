import { EditorState } from "@codemirror/state";
import { CompletionContext } from "@codemirror/autocomplete";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { begin } from "./begin";
import { at, complete, measures, path, type Schema } from "./completion";
import { placeOf } from "./place";

const schema = JSON.parse(readFileSync("public/report.schema.json", "utf8")) as Schema;
const madeOf = [
  {
    name: "sailings",
    columns: [
      { name: "date", type: "DATE" as const, decimals: 0, zone: null },
      { name: "route", type: "TEXT" as const, decimals: 0, zone: null },
      { name: "delay", type: "NUMBER" as const, decimals: 0, zone: null },
    ],
  },
];

const TEXT = `report: Delays
data: sailings
compute:
  late: 'if delay > 10 then "late" else "in time"'
measures:
  all: {title: Sailings, count: rows}
  worst:
    title: Worst
    greatest: delay
pages:
  - page: Overview
    blocks:
      - {figure: all}
`;

/** What is proposed behind a text. */
function proposed(behind: string, rest = ""): string[] {
  const doc = behind + rest;
  const context = new CompletionContext(EditorState.create({ doc }), behind.length, true);
  return complete(schema, madeOf)(context)?.options.map((option) => option.label) ?? [];
}

describe("completion", () => {
  it("finds its way by indentation and by braces", () => {
    expect(path("measures:\n  all: {title: A, where: {")).toEqual(["measures", "all", "where"]);
    expect(path("pages:\n  - page: A\n    blocks:\n      - {chart: ")).toEqual(["pages", "blocks", "chart"]);
    expect(path("pages:\n  - page: A\n    blocks:\n      - chart: bars\n        over: ")).toEqual([
      "pages",
      "blocks",
      "over",
    ]);
    expect(path("filters: [route, ")).toEqual(["filters"]);
    expect(at(schema, ["measures", "all", "good"])?.enum).toEqual(["more", "less", "neither"]);
  });

  it("knows the measures of the text", () => {
    expect(measures(TEXT)).toEqual(["all", "worst"]);
  });

  it("proposes keys, fixed values, data sets, columns of the right type, and measures in every way", () => {
    expect(proposed("")).toContain("measures");
    expect(proposed("data: ")).toEqual(["sailings"]);
    expect(proposed(`${TEXT.split("measures:")[0]}measures:\n  x: {sum: `)).toEqual(["delay"]);
    expect(proposed(`${TEXT.split("measures:")[0]}filters: [`)).toEqual(["route", "late"]);
    expect(proposed(`${TEXT}      - {chart: `)).toEqual(["bars", "line", "area", "share"]);
    expect(proposed(`${TEXT}      - {chart: bars, measure: `)).toContain("running total of worst");
    expect(proposed(`${TEXT}      - {figure: `)).toEqual(["all", "worst"]);
    expect(proposed(`${TEXT}      - {figure: all, `)).toContain("trend");
    expect(proposed(`${TEXT}      - {figure: all, trend: `)).toContain("12 weeks");
  });
});

describe("a new report", () => {
  it("begins with a page over the first columns of its data set", () => {
    expect(begin("sailings", ["delay"], ["route", "on time", "cause"])).toContain(
      "filters: [route, on time]",
    );
    expect(begin("sailings", ["delay"], ["route"])).toContain("sum: delay");
    expect(begin("a: b", [], [])).toContain('data: "a: b"');
  });
});

describe("a fault's place", () => {
  it("is read from the server's words", () => {
    expect(placeOf("line 5, column 10")).toEqual({ line: 5, column: 10 });
    expect(placeOf("elsewhere")).toEqual({ line: 1, column: 1 });
  });
});
