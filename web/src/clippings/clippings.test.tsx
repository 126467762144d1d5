import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it } from "vitest";
import { Route, Routes } from "react-router";
import { serve, show } from "../__tests__/render";
import { ClippingPage } from "./ClippingPage";
import { ClippingsPage } from "./ClippingsPage";

afterEach(cleanup);

const clip = (block: string) => ({ report: 1, page: "overview", block, period: "last-week", filters: [] });
const page = {
  report: "Cancelled sailings",
  id: "overview",
  title: "Overview",
  number: 1,
  showing: "16–22 Nov 2026, last week",
  freshness: "figures to 25 Nov",
  rows: 1,
  figures: [],
  charts: [],
  tables: [],
  texts: [{ id: "b9", title: "A note", text: "Terna is in dock." }],
  sections: [],
  order: ["b9"],
};
const clipping = {
  id: 4,
  name: "For Monday",
  version: 2,
  followers: [{ id: 12, name: "Mondays at seven", owner: "Marit Lunde" }],
  maySubscribe: true,
  clips: [
    { clip: clip("b9"), title: "Cancelled sailings", shown: { page, drawings: {} }, gone: "" },
    { clip: clip("b1"), title: "", shown: null, gone: "You may not see its report any more." },
  ],
};

const pages = (
  <Routes>
    <Route path="/clippings" element={<ClippingsPage />} />
    <Route path="/clippings/:id" element={<ClippingPage />} />
  </Routes>
);

it("blocks stand with where they are from, and what is gone says why", async () => {
  const asked = serve({ "GET clippings/4?chartWidth=16": clipping, "PUT clippings/4": null });
  show(pages, "/clippings/4");
  expect(await screen.findByText("Terna is in dock.")).toBeVisible();
  expect(screen.getByRole("link", { name: "Cancelled sailings" })).toHaveAttribute(
    "href",
    "/reports/1?page=overview&period=last-week",
  );
  expect(screen.getByText("You may not see its report any more.")).toBeVisible();
  expect(screen.getByRole("note")).toHaveTextContent(
    "Sent by Mondays at seven. It changes with the clipping",
  );
  expect(screen.getByRole("link", { name: "Subscribe" })).toHaveAttribute("href", "/compose?clipping=4");
  await userEvent.click(screen.getByRole("button", { name: "later: Cancelled sailings" }));
  await waitFor(() => expect(asked.some(({ method }) => method === "PUT")).toBe(true));
  expect(asked.find(({ method }) => method === "PUT")?.body).toEqual({
    wish: { name: "For Monday", clips: [clip("b1"), clip("b9")] },
    version: 2,
  });
});

it("who has none is told how to begin", async () => {
  serve({ "GET clippings": [] });
  show(pages, "/clippings");
  expect(await screen.findByText(/You have none yet/)).toBeVisible();
});
