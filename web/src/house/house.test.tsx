import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Api } from "../api/client";
import { MARIT, refusal, serve, show, SignedIn, type Asked } from "../__tests__/render";
import { HousePage } from "./HousePage";
import { reach, saidOf, strongest } from "./verbs";

const session = (...roles: Api["Me"]["roles"]) => ({
  me: { ...MARIT, roles },
  demo: true,
  now: "2026-11-25T09:00:00Z",
});

const grid = {
  folders: [
    { id: 1, parent: null, name: "Traffic" },
    { id: 3, parent: 1, name: "Storms" },
  ],
  groups: [{ id: 2, name: "Route leads" }],
  cells: [
    { folder: 1, group: 2, own: true, verbs: ["SEE", "SUBSCRIBE_SELF"] },
    { folder: 3, group: 2, own: false, verbs: ["SEE", "SUBSCRIBE_SELF"] },
  ],
  personal: [{ folder: 3, person: 3, name: "Ida Solvang", verbs: ["SEE"] }],
};
const people = [
  { ...MARIT, active: true, groups: [2], newAddress: null, invited: false },
  { ...MARIT, id: 3, name: "Ida Solvang", active: true, groups: [], newAddress: null, invited: true },
];
const groups = [{ id: 2, name: "Route leads", members: [2] }];

const LINE = {
  id: 71,
  at: "2026-11-23T06:00:00Z",
  who: "Sunniva Rein",
  from: "127.0.0.1",
  act: "changed what a group may do in",
  kind: "FOLDER",
  thing: "Traffic",
  before: "Route leads: nothing",
  after: "Route leads: see",
};

const house = (
  <SignedIn>
    <Routes>
      <Route path="/house/:part?" element={<HousePage />} />
    </Routes>
  </SignedIn>
);

const minded = (folder: (typeof grid.folders)[number]) => ({
  ...folder,
  mayChange: role === "ADMINISTRATOR",
});

let asked: Asked[];
let role: Api["Me"]["roles"][number];
beforeEach(() => {
  role = "ADMINISTRATOR";
  asked = serve({
    "GET session": () => session(role),
    "GET grants": () => ({ ...grid, folders: grid.folders.map(minded) }),
    "GET people": people,
    "GET groups": groups,
    "GET grants/1/2/effect?own=true": {
      pausing: [{ subscription: 4, name: "Sandvoll", because: "Ida Solvang may no longer see the report." }],
      dropping: [{ person: "Tor Egeland", subscriptions: ["Sandvoll", "Storms"] }],
      losing: [{ person: "Tor Egeland", issues: 8 }],
    },
    "GET people/3/effect?active=false": {
      pausing: [],
      dropping: [],
      losing: [{ person: "Ida Solvang", issues: 2 }],
    },
    "GET people/3/effect?roles=AUDITOR&active=true": { pausing: [], dropping: [], losing: [] },
    "POST groups/2/members/effect": { pausing: [], dropping: [], losing: [] },
    "POST people/3/invitations": {},
    "PUT people/3/address": {},
    "GET folders/1/people/3/why": {
      verbs: ["SEE"],
      sentence: "Ida Solvang may see reports in Traffic.",
      chain: ["Ida Solvang is in Route leads, which may see reports in Traffic."],
    },
    "GET audit?": { lines: [LINE], more: true },
    "GET audit?olderThan=71": { lines: [{ ...LINE, id: 70, thing: "Passengers" }], more: false },
    "GET audit?words=storm": { lines: [], more: false },
    "GET sources": [
      {
        id: 5,
        folder: 1,
        folderName: "Traffic",
        name: "Booking desk",
        kind: "DATABASE",
        place: "jdbc:postgresql://desk/bookings",
        user: "reader",
        hasPassword: true,
        seconds: 60,
        mostRows: 1000000,
        usedBy: [{ id: 9, name: "bookings" }],
      },
    ],
    "POST sources/tests?source=5": () => refusal(422, "source.cannot-reach"),
    "PUT sources/5": {},
    "DELETE sources/5": () => refusal(409, "source.in-use"),
    "PUT grants/1/2": {},
    "PUT grants/3/2": {},
    "PUT groups/2/members": {},
    "PUT people/3": {},
    "POST people": () => refusal(422, "person.bad-fields"),
    "POST folders": { id: 4 },
    "POST groups": { id: 5 },
  });
});
afterEach(() => vi.unstubAllGlobals());

const sent = (path: string) => asked.find((one) => one.path === path && one.method !== "GET")?.body;

describe("rights", () => {
  it("are explained for a person and a folder, once both are chosen", async () => {
    show(house, "/house/rights");

    await screen.findAllByRole("option", { name: "Ida Solvang" });
    await userEvent.selectOptions(screen.getByLabelText("Whom it is about"), "Ida Solvang");
    expect(asked.some((one) => one.path.endsWith("/why"))).toBe(false);
    await userEvent.selectOptions(screen.getByLabelText("In which folder"), "Traffic");

    expect(await screen.findByText(/^Ida Solvang is in Route leads/)).toBeVisible();
  });

  it("are a set, shown by its strongest word", () => {
    expect(strongest(["SUBSCRIBE_SELF", "SEE"])).toBe("SUBSCRIBE_SELF");
    expect(strongest([])).toBeNull();
    expect(reach([])).toBe(0);
    expect(reach(["SEE", "SUBSCRIBE_SELF", "SUBSCRIBE_TEAMMATES"])).toBe(4);
  });

  it("are shown a cell a folder and group, as above where inherited", async () => {
    show(house, "/house");
    expect(
      await screen.findByRole("button", { name: "Route leads in Traffic: for myself" }),
    ).toHaveTextContent("for myself");
    expect(screen.getByRole("button", { name: "Route leads in Storms: for myself" })).toHaveTextContent(
      "as above",
    );
  });

  it("are changed in a sheet that says what it means, with the weaker ones", async () => {
    show(house, "/house");
    await userEvent.click(await screen.findByRole("button", { name: "Route leads in Traffic: for myself" }));
    expect(screen.getByRole("button", { name: "Change it" })).toBeDisabled();
    await userEvent.click(screen.getByRole("button", { name: "for the team" }));
    await userEvent.click(screen.getByRole("button", { name: "Change it" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(sent("grants/1/2")).toEqual({
      verbs: ["KNOW", "SEE", "SUBSCRIBE_SELF", "SUBSCRIBE_TEAMMATES"],
    });
    expect(screen.getByText("Route leads in Traffic: for the team.")).toBeVisible();
  });

  it("can be nothing where the folder above gives something", async () => {
    show(house, "/house");
    await userEvent.click(await screen.findByRole("button", { name: "Route leads in Storms: for myself" }));
    await userEvent.click(screen.getByRole("button", { name: "nothing" }));
    await userEvent.click(screen.getByRole("button", { name: "Change it" }));
    await waitFor(() => expect(sent("grants/3/2")).toEqual({ verbs: [] }));
  });

  it("begin with a folder, at the top or within another", async () => {
    show(house, "/house");
    await userEvent.type(await screen.findByRole("textbox", { name: "New folder" }), "Harbours");
    await userEvent.selectOptions(screen.getByRole("combobox", { name: "In" }), "Traffic");
    await userEvent.click(screen.getByRole("button", { name: "Add folder" }));
    await waitFor(() => expect(sent("folders")).toEqual({ name: "Harbours", parent: 1 }));
  });
});

describe("people", () => {
  it("are invited, and what is wrong is said", async () => {
    show(house, "/house/people");
    await userEvent.type(await screen.findByLabelText("Name"), "Nora");
    await userEvent.type(screen.getByLabelText("Address"), "nora@brinewater.example");
    await userEvent.click(screen.getByRole("button", { name: "Invite" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("It happened.");
    expect(sent("people")).toMatchObject({ name: "Nora", zone: "Europe/Oslo" });
    expect(screen.getByLabelText("Name")).toHaveValue("Nora");
  });

  it("cannot lock themselves out", async () => {
    show(house, "/house/people");
    await userEvent.click(await screen.findByRole("button", { name: "Change Marit Lunde" }));
    expect(screen.getByLabelText("May sign in and be sent issues")).toBeDisabled();
    expect(screen.getByLabelText("Is an administrator")).toBeDisabled();
  });

  it("are deactivated when it has been said what that does", async () => {
    show(house, "/house/people");
    await userEvent.click(await screen.findByRole("button", { name: "Change Ida Solvang" }));
    await userEvent.click(screen.getByLabelText("May sign in and be sent issues"));
    expect(await screen.findByText("2 issues leave the shelf of Ida Solvang.")).toBeVisible();
    expect(sent("people/3")).toBeUndefined();
    await userEvent.click(screen.getByRole("button", { name: "Save changes" }));
    await waitFor(() => expect(sent("people/3")).toMatchObject({ active: false, name: "Ida Solvang" }));
  });

  it("are invited again, and asked to confirm another address", async () => {
    show(house, "/house/people");
    await userEvent.click(await screen.findByRole("button", { name: "Change Ida Solvang" }));
    await userEvent.click(screen.getByRole("button", { name: "send a new invitation" }));
    await waitFor(() => expect(asked.some(({ path }) => path === "people/3/invitations")).toBe(true));
    await userEvent.type(screen.getByLabelText("New mail address"), "ida@new.example");
    await userEvent.click(screen.getByRole("button", { name: "Ask for confirmation" }));
    await waitFor(() => expect(sent("people/3/address")).toEqual({ address: "ida@new.example" }));
  });
});

describe("groups", () => {
  it("take people in when it has been said what that does", async () => {
    show(house, "/house/groups");
    await userEvent.click(await screen.findByLabelText("Ida Solvang"));
    expect(await screen.findByText(/This changes no subscription/)).toBeVisible();
    expect(sent("groups/2/members")).toBeUndefined();
    await userEvent.click(screen.getByRole("button", { name: "Save changes" }));
    await waitFor(() => expect(sent("groups/2/members")).toEqual({ people: [2, 3] }));
    expect(screen.getByText("1 person")).toBeVisible();
  });

  it("are added by name", async () => {
    show(house, "/house/groups");
    await userEvent.type(await screen.findByLabelText("New group"), "Crew");
    await userEvent.click(screen.getByRole("button", { name: "Add group" }));
    await waitFor(() => expect(sent("groups")).toEqual({ name: "Crew" }));
  });
});

describe("publishing", () => {
  it("is granted beside the rest", async () => {
    show(house, "/house");
    await userEvent.click(await screen.findByRole("button", { name: /Route leads in Traffic/ }));
    await userEvent.click(screen.getByLabelText("and publish reports and data there"));
    await userEvent.click(screen.getByRole("button", { name: "Change it" }));
    await waitFor(() =>
      expect(sent("grants/1/2")).toEqual({ verbs: ["KNOW", "SEE", "SUBSCRIBE_SELF", "PUBLISH"] }),
    );
    expect(await screen.findByText(/for myself, publish/)).toBeVisible();
  });

  it("means seeing, at the least", () => {
    expect(reach(["PUBLISH"])).toBe(2);
    expect(reach(["KNOW"])).toBe(1);
    expect(saidOf(["KNOW", "PUBLISH"])).toBe("see, publish");
    expect(reach(["SUBSCRIBE_TEAMMATES"])).toBe(4);
    expect(saidOf(["PUBLISH"])).toBe("see, publish");
    expect(saidOf([])).toBe("nothing");
  });
});

describe("an auditor", () => {
  beforeEach(() => {
    role = "AUDITOR";
  });

  it("reads the house and is told that he changes nothing", async () => {
    show(house, "/house");
    expect(await screen.findByText(/You read this as an auditor/)).toBeVisible();
    expect(await screen.findByRole("button", { name: /Route leads in Traffic/ })).toBeDisabled();
    expect(screen.getByLabelText("Whom it is about")).toBeEnabled();
  });

  it("is made by a tick, and keeps what else he is", async () => {
    role = "ADMINISTRATOR";
    show(house, "/house/people");
    await userEvent.click(await screen.findByRole("button", { name: "Change Ida Solvang" }));
    await userEvent.click(screen.getByLabelText("Reads everything as an auditor"));
    await userEvent.click(screen.getByRole("button", { name: "Save changes" }));
    await waitFor(() => expect(sent("people/3")).toMatchObject({ roles: ["AUDITOR"], active: true }));
  });
});

describe("the effect of a change", () => {
  it("is told before it is made", async () => {
    show(house, "/house");
    await userEvent.click(await screen.findByRole("button", { name: /Route leads in Traffic/ }));
    await userEvent.click(screen.getByRole("button", { name: "nothing" }));
    expect(
      await screen.findByText("“Sandvoll” pauses: Ida Solvang may no longer see the report."),
    ).toBeVisible();
    expect(screen.getByText("Tor Egeland no longer gets “Sandvoll”, “Storms”.")).toBeVisible();
    expect(screen.getByText("8 issues leave the shelf of Tor Egeland.")).toBeVisible();
    expect(sent("grants/1/2")).toBeUndefined();
  });
});

describe("the audit trail", () => {
  it("tells who did what, and how it was before and after", async () => {
    show(house, "/house/audit");
    const row = await screen.findByRole("row", { name: /Sunniva Rein/ });
    expect(row).toHaveTextContent("changed what a group may do in Traffic");
    expect(row).toHaveTextContent("Route leads: nothing");
    expect(row).toHaveTextContent("Route leads: see");
  });

  it("is read page by page, back and forth", async () => {
    show(house, "/house/audit");
    await userEvent.click(await screen.findByRole("button", { name: "older" }));
    expect(await screen.findByText("Passengers")).toBeVisible();
    expect(screen.queryByRole("button", { name: "older" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "newer" }));
    expect(await screen.findByText("Traffic")).toBeVisible();
  });

  it("is searched, says when nothing fits, and is exported as found", async () => {
    show(house, "/house/audit");
    await userEvent.type(await screen.findByLabelText("Words"), "storm");
    expect(await screen.findByText(/Nothing was done that fits this/)).toBeVisible();
    expect(screen.getByRole("link", { name: "Export as CSV" })).toHaveAttribute(
      "href",
      "/api/v1/audit.csv?words=storm",
    );
  });
});

describe("sources", () => {
  it("say what comes from each, and are not removed while something does", async () => {
    show(house, "/house/sources");
    expect(
      await screen.findByText("as reader; a query takes at most 60 s and gives at most 1 000 000 rows"),
    ).toBeVisible();
    expect(screen.getByRole("link", { name: "bookings" })).toHaveAttribute("href", "/data/9");
    await userEvent.click(screen.getByRole("button", { name: "remove the source Booking desk" }));
    expect(await screen.findByText("It happened.")).toBeVisible();
  });

  it("are tested before they are kept, and keep their password where none is typed", async () => {
    show(house, "/house/sources");
    await userEvent.click(await screen.findByRole("button", { name: "change the source Booking desk" }));
    await userEvent.click(screen.getByRole("button", { name: "Test it" }));
    expect(await screen.findByText("It happened.")).toBeVisible();
    await userEvent.clear(screen.getByLabelText("Seconds a query"));
    await userEvent.type(screen.getByLabelText("Seconds a query"), "90");
    await userEvent.click(screen.getByRole("button", { name: "Keep source" }));
    await waitFor(() => expect(sent("sources/5")).toMatchObject({ password: null, seconds: 90, folder: 1 }));
  });
});
