import { describe, expect, it } from "vitest";
import { instantOf, moment, monthName, until, weekdayAndTime } from "./when";

describe("moments", () => {
  it("are told in the zone that is asked for", () => {
    expect(moment("2026-11-30T06:00:00Z", "Europe/Oslo")).toBe("Mon 30 Nov, 07:00");
    expect(moment("2026-11-30T06:00:00Z", "America/New_York")).toBe("Mon 30 Nov, 01:00");
    expect(moment("2026-11-30T23:30:00Z", "Asia/Tokyo")).toBe("Tue 1 Dec, 08:30");
  });

  it("shorten every month to three letters", () =>
    expect(moment("2026-09-07T05:00:00Z", "Europe/Oslo")).toBe("Mon 7 Sep, 07:00"));

  it("say their year where it is not this one", () => {
    const now = "2027-01-01T10:00:00Z";
    expect(moment("2026-11-30T06:00:00Z", "Europe/Oslo", now)).toBe("Mon 30 Nov 2026, 07:00");
    expect(moment("2027-01-04T06:00:00Z", "Europe/Oslo", now)).toBe("Mon 4 Jan, 07:00");
  });

  it("say midnight as 00:00", () =>
    expect(weekdayAndTime("2026-11-29T23:00:00Z", "Europe/Oslo")).toBe("Mon 00:00"));

  it("name their month", () =>
    expect(monthName(new Date("2026-10-31T23:30:00Z"), "Europe/Oslo")).toBe("November"));
});

describe("how long until", () => {
  const now = "2026-11-25T09:00:00Z";
  it.each([
    ["2026-11-25T09:00:20Z", "now"],
    ["2026-11-25T08:00:00Z", "now"],
    ["2026-11-25T09:40:00Z", "in 40 min"],
    ["2026-11-25T11:10:00Z", "in 2 h 10"],
    ["2026-11-26T09:00:00Z", "in 24 h"],
    ["2026-11-30T06:00:00Z", "in 5 days"],
  ])("%s is %s", (at, words) => expect(until(at, now)).toBe(words));
});

describe("a local time", () => {
  it("becomes the instant at which clocks there show it", () => {
    expect(instantOf("2026-11-30T07:00", "Europe/Oslo")).toBe("2026-11-30T06:00:00.000Z");
    expect(instantOf("2026-07-06T07:00", "Europe/Oslo")).toBe("2026-07-06T05:00:00.000Z");
    expect(instantOf("2026-11-30T07:00", "Asia/Kolkata")).toBe("2026-11-30T01:30:00.000Z");
  });

  it("is right on both sides of a change of summer time", () => {
    expect(instantOf("2026-03-29T01:59", "Europe/Oslo")).toBe("2026-03-29T00:59:00.000Z");
    expect(instantOf("2026-03-29T03:00", "Europe/Oslo")).toBe("2026-03-29T01:00:00.000Z");
    expect(instantOf("2026-10-25T03:00", "Europe/Oslo")).toBe("2026-10-25T02:00:00.000Z");
  });
});
