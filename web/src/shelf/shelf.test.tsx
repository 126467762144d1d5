import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { serve, show, SignedIn, type Asked } from "../__tests__/render";
import { ShelfPage } from "./ShelfPage";

const spine = (id: number, state: string, day: string) => ({
  id,
  number: id,
  state,
  at: `2026-${day}T06:00:00Z`,
  days: "",
  note: `No. ${id}, so`,
});

const view = {
  from: "2026-08-26T09:00:00Z",
  now: "2026-11-25T09:00:00Z",
  to: "2026-12-10T09:00:00Z",
  news: [
    { text: "One new issue: ", issue: null },
    { text: "cancelled 11", issue: 3 },
  ],
  rows: [
    {
      subscription: 1,
      title: "Cancelled sailings",
      line: "Every Monday",
      group: "NEW",
      spines: [spine(1, "READ", "11-09"), spine(2, "SKIPPED", "11-16"), spine(3, "UNREAD", "11-23")],
      next: "2026-11-30T06:00:00Z",
      mayOpen: true,
    },
    {
      subscription: 2,
      title: "Engine trouble",
      line: "Every Monday too",
      group: "QUIET",
      spines: [spine(4, "PARTLY", "11-10")],
      next: null,
      mayOpen: false,
    },
  ],
};

let asked: Asked[];
beforeEach(() => {
  asked = serve({
    "GET shelf?scope=ALL&days=91": view,
    "GET shelf?scope=CHOSEN_BY_ME&days=91": { ...view, rows: [] },
    "GET shelf?scope=ALL&days=28": view,
  });
  show(
    <SignedIn>
      <ShelfPage />
    </SignedIn>,
  );
});
afterEach(() => vi.unstubAllGlobals());

const row = (title: string) => screen.findByRole("article", { name: title });

describe("the shelf", () => {
  it("tells the news as its title, each part a link", async () => {
    expect(await screen.findByRole("heading", { level: 1 })).toHaveTextContent("One new issue: cancelled 11");
    expect(screen.getByRole("link", { name: "cancelled 11" })).toHaveAttribute("href", "/issues/3");
  });

  it("has its rows in groups, and names what each spine says", async () => {
    const cancelled = within(await row("Cancelled sailings"));
    expect(cancelled.getAllByRole("link", { name: "No. 3, so, unread" })[0]).toHaveAttribute(
      "href",
      "/issues/3",
    );
    expect(cancelled.getByRole("img", { name: "to come Mon 30 Nov, 07:00" })).toBeInTheDocument();
    expect(screen.getByRole("region", { name: "New" })).toContainElement(await row("Cancelled sailings"));
    expect(screen.getByRole("region", { name: "Quiet" })).toContainElement(await row("Engine trouble"));
    expect(screen.queryByRole("region", { name: "Needs a look" })).toBeNull();
  });

  it("leads to a subscription only where it may be opened", async () => {
    expect(
      within(await row("Cancelled sailings")).getByRole("link", { name: "Cancelled sailings" }),
    ).toBeVisible();
    expect(within(await row("Engine trouble")).queryByRole("link", { name: "Engine trouble" })).toBeNull();
  });

  it("says of a lifted spine what it is, in its row's own line", async () => {
    const cancelled = await row("Cancelled sailings");
    const spines = cancelled.querySelectorAll("[data-spine]");
    if (spines[1]) fireEvent.mouseEnter(spines[1]);
    expect(cancelled).toHaveTextContent("No. 2, so");
    fireEvent.mouseLeave(cancelled);
    expect(cancelled).toHaveTextContent("Every Monday");
  });

  it("is one stop for the tab key, and walked by arrows, Home, End and letters", async () => {
    await row("Cancelled sailings");
    const stops = () => document.querySelectorAll("[data-spine][tabindex='0']");
    expect(stops()).toHaveLength(1);
    (stops()[0] as HTMLElement).focus();
    expect(document.activeElement).toHaveAccessibleName("No. 3, so, unread");
    await userEvent.keyboard("{Home}");
    expect(document.activeElement).toHaveAccessibleName("No. 1, so, read");
    await userEvent.keyboard("{ArrowLeft}{ArrowRight}");
    expect(document.activeElement).toHaveAccessibleName("No. 2, so, skipped");
    await userEvent.keyboard("{End}{ArrowDown}");
    expect(document.activeElement).toHaveAccessibleName("No. 4, so, partly delivered");
    await userEvent.keyboard("c");
    expect(document.activeElement).toHaveAccessibleName("No. 3, so, unread");
    expect(stops()).toHaveLength(1);
  });

  it("is narrowed by words, and an empty one says how it is filled", async () => {
    await userEvent.click(await screen.findByRole("button", { name: "chosen by me" }));
    expect(await screen.findByText(/You have not subscribed to anything yet/)).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "everything I may see" }));
    await userEvent.click(screen.getByRole("button", { name: "the last 4 weeks" }));
    await waitFor(() => expect(asked.some((one) => one.path.endsWith("days=28"))).toBe(true));
  });
});
