import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it } from "vitest";
import { MARIT, serve, show, SignedIn, type Asked } from "../__tests__/render";
import { ComposerPage } from "./ComposerPage";

const block = (id: string) => ({
  report: 1,
  pages: ["overview"],
  blocks: [id],
  follows: null,
  period: "last-week",
  filters: [],
});
const ofClipping = [block("b1"), block("b5")];

interface Terms {
  content: unknown[];
  clipping: number | null;
}

/** As the server does: what follows the clipping has its blocks. */
const composed = ({ body }: Asked) => {
  const { terms } = body as { terms: Terms };
  const content = terms.clipping === null ? terms.content : ofClipping;
  return {
    terms: { ...terms, content },
    content: content.map((_, i) => ({
      report: 1,
      title: "Cancelled sailings",
      parts: [`Block ${i + 1}`],
      shows: "last week, every route",
    })),
    ruled: [],
    ownerView: true,
    sentence: [{ part: "WHAT", text: "the clipping", missing: false }],
    missing: [],
    notes: [],
    sends: [],
    daysNow: "",
    rows: 1,
    withheld: "",
    mail: null,
    pdf: null,
  };
};

let asked: Asked[];
beforeEach(() => {
  cleanup();
  sessionStorage.clear();
  asked = serve({
    "GET clippings/4?chartWidth=280": { id: 4, name: "For Monday", clips: [], followers: [] },
    "GET clippings": [{ id: 4, name: "For Monday", clips: 2, reports: ["Cancelled sailings"] }],
    "GET candidates?report=1": [{ id: MARIT.id, name: MARIT.name, address: MARIT.address, maySee: true }],
    "POST compositions": composed,
    "POST subscriptions": { id: 9 },
  });
  show(
    <SignedIn>
      <ComposerPage />
    </SignedIn>,
    "/compose?clipping=4",
  );
});
afterEach(cleanup);

const lastTerms = () =>
  (asked.filter((one) => one.path === "compositions").at(-1)?.body as { terms: Terms }).terms;

it("a clipping is sent as it will be, by its name", async () => {
  expect(await screen.findByRole("button", { name: "For Monday" })).toBeVisible();
  expect(lastTerms()).toMatchObject({ name: "For Monday", clipping: 4, content: [], recipients: [MARIT.id] });
  await userEvent.click(screen.getByRole("button", { name: "Start subscription" }));
  expect(asked.find((one) => one.path === "subscriptions")?.body).toMatchObject({ terms: { clipping: 4 } });
});

it("its blocks can be kept as they are, and then be taken out one by one", async () => {
  await userEvent.click(await screen.findByRole("button", { name: "the clipping" }));
  expect(screen.getAllByText("Cancelled sailings · last week, every route")).toHaveLength(2);
  expect(screen.getByRole("link", { name: "change “For Monday”" })).toHaveAttribute("href", "/clippings/4");
  expect(screen.queryByRole("button", { name: "take out Block 1" })).toBeNull();

  await userEvent.click(screen.getByRole("radio", { name: /Its own blocks/ }));
  await userEvent.click(await screen.findByRole("button", { name: "take out Block 1" }));

  await waitFor(() => expect(screen.queryByText("Block 2")).toBeNull());
  expect(screen.getByText("Block 1")).toBeVisible();
  expect(lastTerms()).toMatchObject({ clipping: null, content: [block("b5")] });
});
