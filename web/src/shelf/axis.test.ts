import { describe, expect, it } from "vitest";
import type { Api } from "../api/client";
import { bind, months, place, statesOf } from "./axis";

const FROM = "2026-09-01T00:00:00Z";
const TO = "2026-12-01T00:00:00Z";

const spine = (at: string, number: number): Api["Spine"] => ({
  id: number,
  number,
  at,
  state: "READ",
  days: "",
  note: `No. ${number}`,
});

const every = (days: number, many: number) =>
  Array.from({ length: many }, (_, i) =>
    spine(new Date(Date.parse("2026-09-07T06:00:00Z") + i * days * 86_400_000).toISOString(), i + 1),
  );

describe("the axis", () => {
  it("runs from its left end to its right", () => {
    expect(place(FROM, FROM, TO)).toBe(0);
    expect(place(TO, FROM, TO)).toBe(1);
    expect(place("2026-10-16T12:00:00Z", FROM, TO)).toBeCloseTo(0.5);
  });

  it("names each month where it begins", () => {
    const named = months("2026-08-26T07:00:00Z", "2026-12-10T07:00:00Z", "Europe/Oslo");
    expect(named.map((month) => month.name)).toEqual([
      "August",
      "September",
      "October",
      "November",
      "December",
    ]);
    expect(named.map((month) => month.at)).toEqual([...named.map((month) => month.at)].sort((a, b) => a - b));
  });
});

describe("spines", () => {
  it("stand alone and at full width while there is room", () => {
    const { width, sheaves } = bind(every(7, 10), FROM, TO, 800);
    expect(width).toBe(15);
    expect(sheaves).toHaveLength(10);
  });

  it("grow narrower before they touch", () => {
    const { width, sheaves } = bind(every(1, 30), FROM, TO, 1000);
    expect(width).toBe(7);
    expect(sheaves).toHaveLength(30);
  });

  it("are bound to a sheaf a week where they would touch", () => {
    const { sheaves } = bind(every(1, 28), FROM, TO, 300);
    expect(sheaves.map((sheaf) => sheaf.spines.length)).toEqual([7, 7, 7, 7]);
    expect(sheaves[0]?.at).toBe(sheaves[0]?.spines.at(-1)?.at);
  });

  it("show in a sheaf what one should know of first", () => {
    const week = every(1, 7).map((one, i): Api["Spine"] => ({
      ...one,
      state: i === 1 ? "FAILED" : i === 6 ? "UNREAD" : "READ",
    }));
    const sheaf = bind(week, FROM, TO, 20).sheaves[0];
    expect(sheaf?.state).toBe("FAILED");
    expect(sheaf && statesOf(sheaf)).toEqual([
      { state: "FAILED", many: 1 },
      { state: "UNREAD", many: 1 },
      { state: "READ", many: 5 },
    ]);
  });

  it("may be none", () => expect(bind([], FROM, TO, 800).sheaves).toEqual([]));
});
