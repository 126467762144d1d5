import { describe, expect, it } from "vitest";
import { matchingPeriod, readRule, writeRule, type Recurrence } from "./recurrence";

describe("a recurrence", () => {
  const all: [string, Recurrence][] = [
    ["FREQ=DAILY", { kind: "daily" }],
    ["AFTER-LOAD", { kind: "load", minutes: 0 }],
    ["AFTER-LOAD;SPAN=PT15M", { kind: "load", minutes: 15 }],
    ["AFTER-LOAD;SPAN=PT24H", { kind: "load", minutes: 1440 }],
    ["AFTER-LOAD;SPAN=PT1H30M", { kind: "load", minutes: 90 }],
    ["FREQ=WEEKLY;BYDAY=MO", { kind: "weekly", days: ["MO"] }],
    ["FREQ=WEEKLY;BYDAY=MO,TH,SU", { kind: "weekly", days: ["MO", "TH", "SU"] }],
    ["FREQ=MONTHLY;BYMONTHDAY=1", { kind: "monthly", day: 1 }],
    ["FREQ=MONTHLY;BYMONTHDAY=28", { kind: "monthly", day: 28 }],
    ["FREQ=MONTHLY;BYMONTHDAY=28,29;BYSETPOS=-1", { kind: "monthly", day: 29 }],
    ["FREQ=MONTHLY;BYMONTHDAY=28,29,30,31;BYSETPOS=-1", { kind: "monthly", day: 31 }],
  ];

  it.each(all)("%s is read", (rule, recurrence) => expect(readRule(rule)).toEqual(recurrence));

  it.each(all)("%s is written", (rule, recurrence) => expect(writeRule(recurrence)).toBe(rule));

  it("writes its days in the order of the week", () =>
    expect(writeRule({ kind: "weekly", days: ["TH", "MO"] })).toBe("FREQ=WEEKLY;BYDAY=MO,TH"));

  it.each([
    ["FREQ=DAILY", "yesterday"],
    ["FREQ=WEEKLY;BYDAY=TH", "last-week"],
    ["FREQ=WEEKLY;BYDAY=MO,TH", null],
    ["FREQ=MONTHLY;BYMONTHDAY=1", "last-month"],
    ["AFTER-LOAD", null],
  ])("%s is matched by %s", (rule, period) => expect(matchingPeriod(rule)).toBe(period));
});
