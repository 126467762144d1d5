import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { serve, show, SignedIn, type Asked } from "../__tests__/render";
import { MailRoomPage } from "./MailRoomPage";

const inbox = (name: string, mails: number) => ({
  address: `${name.toLowerCase()}@brinewater.example`,
  name,
  mails,
  newest: mails > 0 ? "2026-11-23T06:00:00Z" : null,
  behaviour: "NONE",
});
const mail = (subject: string) => ({
  from: "Marit Lunde via Mail Shelf",
  to: "Ida",
  replyTo: "",
  subject,
  date: "2026-11-23T06:00:00Z",
  listId: "",
  html: "<p>eleven</p>",
  text: "eleven",
  attachments: [{ name: "Cancelled.pdf", sizeBytes: 1 }],
  sizeBytes: 1,
});

let asked: Asked[];
let clock: object;
beforeEach(() => {
  clock = { now: "2026-11-25T09:00:00Z", movingTo: null, nextSend: "2026-11-30T06:00:00Z" };
  asked = serve({
    "GET mail-room": [inbox("Ida", 2), inbox("Tor", 0)],
    "GET clock": () => clock,
    "GET mail-room/ida%40brinewater.example": [
      { id: "b", subject: "No. 8", from: "", date: "2026-11-23T06:00:00Z" },
      { id: "a", subject: "No. 7", from: "", date: "2026-11-16T06:00:00Z" },
    ],
    "GET mail-room/tor%40brinewater.example": [],
    "GET mail-room/ida%40brinewater.example/mails/b": mail("No. 8"),
    "GET mail-room/ida%40brinewater.example/mails/a": mail("No. 7"),
    "PUT mail-room/ida%40brinewater.example/behaviour": null,
    "POST clock/next-send": () => {
      clock = { ...clock, movingTo: "2026-11-30T06:00:05Z" };
      return null;
    },
    "POST clock/move": null,
  });
});
afterEach(() => vi.unstubAllGlobals());

function open(at: string) {
  show(
    <SignedIn>
      <Routes>
        <Route path="/mail-room/:address?" element={<MailRoomPage />} />
      </Routes>
    </SignedIn>,
    at,
  );
}

describe("the mail room", () => {
  it("opens the newest mail, and another when it is chosen", async () => {
    open("/mail-room");
    expect(
      within(await screen.findByRole("article", { name: "No. 8" })).getByRole("link", {
        name: "Cancelled.pdf",
      }),
    ).toHaveAttribute("href", "/api/v1/mail-room/ida%40brinewater.example/mails/b/attachments/Cancelled.pdf");
    await userEvent.click(screen.getByRole("button", { name: /^No. 7/ }));
    expect(await screen.findByRole("article", { name: "No. 7" })).toBeVisible();
    expect(screen.getByRole("link", { name: "source" })).toHaveAttribute(
      "href",
      "/api/v1/mail-room/ida%40brinewater.example/mails/a/source",
    );
  });

  it("says of an empty inbox that it is empty", async () => {
    open("/mail-room/tor@brinewater.example");
    const tor = await screen.findByRole("region", { name: "Inbox of Tor" });
    await waitFor(() => expect(tor).toHaveTextContent("no mail yet"));
  });

  it("has the server treat an address as it is told", async () => {
    open("/mail-room");
    await userEvent.selectOptions(await screen.findByRole("combobox"), "refuses for now");
    await waitFor(() =>
      expect(asked.find((one) => one.method === "PUT")?.body).toEqual({ behaviour: "REFUSE_FOR_NOW" }),
    );
  });
});

describe("the demo's clock", () => {
  it("tells now and the next send in my zone, and moves there", async () => {
    open("/mail-room");
    expect(await screen.findByText("Wed 25 Nov, 10:00")).toBeVisible();
    expect(screen.getByText("the next send is Mon 30 Nov, 07:00")).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Move to the next send" }));
    expect(await screen.findByText("on its way to Mon 30 Nov, 07:00")).toBeVisible();
    expect(screen.getByRole("button", { name: "Move to the next send" })).toBeDisabled();
  });

  it("moves to a moment of my own zone", async () => {
    open("/mail-room");
    fireEvent.change(await screen.findByLabelText("Later"), { target: { value: "2026-12-07T08:00" } });
    await userEvent.click(screen.getByRole("button", { name: "Move to then" }));
    await waitFor(() =>
      expect(asked.find((one) => one.path === "clock/move")?.body).toEqual({
        to: "2026-12-07T07:00:00.000Z",
      }),
    );
  });
});
