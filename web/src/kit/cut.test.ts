import { expect, it } from "vitest";
import { readCut, writeCut } from "./cut";

it("what is set on the screen comes back from its address", () => {
  const cut = {
    page: "overview",
    period: "last-4-weeks",
    filters: { route: ["1 Ness–Hovden", "5 Holm ring"], cause: ["wind: gale"] },
  };
  expect(readCut(new URLSearchParams(String(writeCut(cut))))).toEqual(cut);
});

it("a bare address means the first page for last week", () =>
  expect(readCut(new URLSearchParams())).toEqual({ page: "", period: "last-week", filters: {} }));
