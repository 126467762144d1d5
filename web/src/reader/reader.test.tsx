import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import { refusal, serve, show } from "../__tests__/render";
import type { Cut } from "../kit/cut";
import { CutsLine } from "./CutsLine";
import { readBehind, withBehind } from "../kit/behind";

afterEach(cleanup);

const cut: Cut = {
  page: "",
  period: "last-month",
  filters: [{ column: "route", test: "ANY_OF", values: ["5 Holm ring"] }],
  tables: {},
};
const ring = {
  id: 7,
  name: "The ring",
  about: "",
  shared: true,
  owner: "Ida Solvang",
  mayChange: true,
  fits: true,
  cut: { ...cut, period: "last-week" },
  version: 3,
  changedAt: "2026-11-25T09:00:00Z",
  followers: [] as { id: number; name: string; owner: string }[],
  moreFollow: 0,
};

describe("kept cuts", () => {
  it("are opened by their names, and keep what was changed since", async () => {
    const asked = serve({ "PUT cuts/7": null });
    show(<CutsLine report={1} cut={cut} cuts={{ cuts: [ring], mayShare: true }} current={ring} isChanged />);
    expect(await screen.findByRole("link", { name: "The ring" })).toHaveAttribute(
      "href",
      "/reports/1?period=last-week&filter=route%3A5+Holm+ring&cut=7",
    );
    await userEvent.click(screen.getByRole("button", { name: "keep the change of “The ring”" }));
    await waitFor(() => expect(asked.some(({ method }) => method === "PUT")).toBe(true));
    expect(asked.find(({ method }) => method === "PUT")?.body).toEqual({
      wish: { name: "The ring", about: "", shared: true, cut },
      version: 3,
    });
  });

  it("that subscriptions follow name them before they are changed", async () => {
    const followed = {
      ...ring,
      followers: [{ id: 4, name: "The ring, weekly", owner: "Tor Egeland" }],
      moreFollow: 2,
    };
    const asked = serve({ "PUT cuts/7": null });
    show(
      <CutsLine
        report={1}
        cut={cut}
        cuts={{ cuts: [followed], mayShare: true }}
        current={followed}
        isChanged
      />,
    );
    await userEvent.click(screen.getByRole("button", { name: "keep the change of “The ring”" }));
    const followers = screen.getByRole("region", { name: "3 subscriptions follow this cut." });
    expect(followers).toHaveTextContent("With what is on the screen they change from their next issue on.");
    expect(followers).toHaveTextContent("The ring, weekly of Tor Egeland");
    expect(followers).toHaveTextContent("and 2 of others");
    expect(asked).toEqual([]);
    await userEvent.click(screen.getByRole("button", { name: "Keep" }));
    await waitFor(() => expect(asked.some(({ method }) => method === "PUT")).toBe(true));
  });

  it("that find their name taken say so and lose nothing", async () => {
    const asked = serve({
      "POST reports/1/cuts": () => refusal(422, "cut.name-taken"),
    });
    show(
      <CutsLine
        report={1}
        cut={cut}
        cuts={{ cuts: [], mayShare: false }}
        current={undefined}
        isChanged={false}
      />,
    );
    await userEvent.click(await screen.findByRole("button", { name: "keep this cut" }));
    await userEvent.type(screen.getByLabelText("Name of the cut"), "Mondays");
    expect(screen.getByRole("checkbox")).toBeDisabled();
    await userEvent.click(screen.getByRole("button", { name: "Keep" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("It happened.");
    expect(screen.getByLabelText("Name of the cut")).toHaveValue("Mondays");
    expect(asked.find(({ method }) => method === "POST")?.body).toEqual({
      name: "Mondays",
      about: "",
      shared: false,
      cut,
    });
  });

  it("that are removed can be had back", async () => {
    const asked = serve({
      "DELETE cuts/7": null,
      "POST reports/1/cuts": { id: 8 },
    });
    show(
      <CutsLine
        report={1}
        cut={ring.cut}
        cuts={{ cuts: [ring], mayShare: true }}
        current={ring}
        isChanged={false}
      />,
    );
    await userEvent.click(await screen.findByRole("button", { name: "rename or remove" }));
    await userEvent.click(screen.getByRole("button", { name: "Remove this cut" }));
    expect(await screen.findByText("The cut “The ring” is removed.")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Undo" }));
    await waitFor(() => expect(asked.some(({ method }) => method === "POST")).toBe(true));
  });
});

it("what lies behind a mark comes back from the address", () => {
  const what = { block: "b3", keys: ["1 Ness–Hovden", ""] };
  expect(readBehind(new URLSearchParams(String(withBehind(new URLSearchParams(), what))))).toEqual(what);
  expect(readBehind(new URLSearchParams("page=x"))).toBeNull();
});
