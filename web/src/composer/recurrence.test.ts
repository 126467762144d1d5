import { describe, expect, it } from "vitest";
import { writeRule, type Recurrence } from "./recurrence";

const none: Recurrence = { kind: "DEMAND", days: [], date: null, minutes: null, matching: null };

describe("a recurrence", () => {
  it.each<[string, Partial<Recurrence>]>([
    ["", {}],
    ["FREQ=DAILY", { kind: "DAILY" }],
    ["AFTER-LOAD", { kind: "LOAD", minutes: 0 }],
    ["AFTER-LOAD;SPAN=PT15M", { kind: "LOAD", minutes: 15 }],
    ["AFTER-LOAD;SPAN=PT24H", { kind: "LOAD", minutes: 1440 }],
    ["AFTER-LOAD;SPAN=PT1H30M", { kind: "LOAD", minutes: 90 }],
    ["FREQ=WEEKLY;BYDAY=MO", { kind: "WEEKLY", days: ["MONDAY"] }],
    ["FREQ=WEEKLY;BYDAY=MO,TH,SU", { kind: "WEEKLY", days: ["SUNDAY", "THURSDAY", "MONDAY"] }],
    ["FREQ=MONTHLY;BYMONTHDAY=1", { kind: "MONTHLY", date: 1 }],
    ["FREQ=MONTHLY;BYMONTHDAY=28", { kind: "MONTHLY", date: 28 }],
    ["FREQ=MONTHLY;BYMONTHDAY=28,29;BYSETPOS=-1", { kind: "MONTHLY", date: 29 }],
    ["FREQ=MONTHLY;BYMONTHDAY=28,29,30,31;BYSETPOS=-1", { kind: "MONTHLY", date: 31 }],
  ])("is written as %s", (rule, part) => expect(writeRule({ ...none, ...part })).toBe(rule));
});
