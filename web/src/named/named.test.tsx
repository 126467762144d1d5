import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it } from "vitest";
import { serve, show, type Asked } from "../__tests__/render";
import { NamedChoices } from "../kit/NamedChoices";
import { NamedPage } from "./NamedPage";

const value = (name: string, kind: string, part: object) => ({
  name,
  kind,
  values: [],
  formula: "",
  dataSet: null,
  column: "",
  fallback: [],
  separator: ", ",
  lastWord: "and",
  ...part,
});
const kept = (id: number, named: object, values: string[], part: object = {}) => ({
  id,
  folder: 1,
  folderName: "Traffic",
  named,
  version: 3,
  mayChange: true,
  outcome: { values, more: 0, isFallback: false, written: values.join(" and ") },
  wrong: "",
  uses: "",
  ...part,
});
const all = [
  kept(4, value("late", "FORMULA", { formula: "5 + 5" }), ["10"]),
  kept(5, value("the ring", "CONSTANT", { values: ["5 Holm ring"] }), ["5 Holm ring"], {
    uses: "the subscription “Mondays”",
  }),
  kept(6, value("broken", "FIRST", { dataSet: 2, column: "captain" }), [], {
    outcome: null,
    wrong: "“crew” has no column “captain”.",
  }),
];

let asked: Asked[];
beforeEach(() => {
  asked = serve({
    "GET named-values": all,
    "GET library?words=": { folders: [{ id: 1, name: "Traffic", mayPublish: true }] },
    "POST named-values/trials": ({ body }: Asked) => {
      const { named } = body as { named: { values: string[]; formula: string } };
      const values = named.formula ? [named.formula] : named.values;
      return { values, more: 0, isFallback: false, written: values.join(" and ") };
    },
    "POST named-values": { id: 9 },
    "PUT named-values/4": null,
    "DELETE named-values/4": null,
  });
});
afterEach(cleanup);

it("each says what it comes to, how, and what uses it", async () => {
  show(<NamedPage />, "/named");
  expect(await screen.findByText("Comes to 5 Holm ring.")).toBeVisible();
  expect(screen.getByText("= 5 + 5")).toBeVisible();
  expect(screen.getByText(/used by the subscription “Mondays”/)).toBeVisible();
  expect(screen.getByText("cannot be removed while it is used")).toBeVisible();
  expect(screen.queryByRole("button", { name: "remove the ring" })).toBeNull();
  expect(screen.getByText("“crew” has no column “captain”.")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "remove late" }));
  await waitFor(() => expect(asked.some(({ method }) => method === "DELETE")).toBe(true));
});

it("a new one is tried while it is written, and kept only once it comes to something", async () => {
  show(<NamedPage />, "/named");
  await userEvent.click(await screen.findByRole("button", { name: "New named value" }));
  await userEvent.type(screen.getByLabelText("Name"), "piers");
  expect(screen.getByRole("button", { name: "Keep it" })).toBeDisabled();
  await userEvent.type(screen.getByLabelText("Values, one a line"), "Ness{enter} Hovden ");
  expect(await screen.findByText("Comes to Ness and Hovden.")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Keep it" }));
  await waitFor(() =>
    expect(asked.find((one) => one.path === "named-values" && one.method === "POST")?.body).toMatchObject({
      folder: 1,
      named: { name: "piers", kind: "CONSTANT", values: ["Ness", "Hovden"] },
    }),
  );
});

it("one that is kept is changed over the version that was read", async () => {
  show(<NamedPage />, "/named");
  await userEvent.click(await screen.findByRole("button", { name: "change late" }));
  const formula = screen.getByLabelText("Formula");
  await userEvent.clear(formula);
  await userEvent.type(formula, "15");
  expect(await screen.findByText("Comes to 15.")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Keep it" }));
  await waitFor(() =>
    expect(asked.find(({ method }) => method === "PUT")?.body).toMatchObject({
      version: 3,
      wish: { named: { formula: "15" } },
    }),
  );
});

it("a column is narrowed by those that are of its type", async () => {
  let set: string[] = [];
  const choices = (type: "TEXT" | "NUMBER", test: "ANY_OF" | "BETWEEN") => (
    <NamedChoices type={type} test={test} values={[]} set={(values) => (set = values)} />
  );
  show(choices("TEXT", "ANY_OF"), "/");
  await userEvent.click(await screen.findByRole("button", { name: "“the ring”" }));
  expect(set).toEqual(["{the ring}"]);
  expect(screen.queryByRole("button", { name: "“late”" })).toBeNull();
  cleanup();

  show(<NamedChoices type="TEXT" test="ANY_OF" values={[]} occurring={["wind"]} set={() => {}} />, "/");
  expect(await screen.findByText("1 named value has nothing that occurs here")).toBeVisible();
  expect(screen.queryByText("By a named value")).toBeNull();
  cleanup();

  show(choices("NUMBER", "BETWEEN"), "/");
  await userEvent.click(await screen.findByRole("button", { name: "“late” or more" }));
  expect(set).toEqual(["{late}", ""]);
  expect(screen.queryByRole("button", { name: /the ring/ })).toBeNull();
});
