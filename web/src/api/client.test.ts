import { afterEach, describe, expect, it, vi } from "vitest";
import { refusal, serve } from "../__tests__/render";
import { call, ProblemError } from "./client";

afterEach(() => vi.unstubAllGlobals());

describe("the client", () => {
  it("sends the page's token with each change, and not with reading", async () => {
    document.cookie = "XSRF-TOKEN=a%20token";
    const asked = serve({ "POST people": {}, "GET people": [] });
    await call("people", { method: "POST", body: { name: "Ida" } });
    await call("people");
    expect(asked[0]?.headers["X-XSRF-TOKEN"]).toBe("a token");
    expect(asked[0]?.body).toEqual({ name: "Ida" });
    expect(asked[1]?.headers["X-XSRF-TOKEN"]).toBeUndefined();
  });

  it("reads nothing where the server answers with nothing", async () => {
    serve({ "DELETE session": null });
    expect(await call("session", { method: "DELETE" })).toBeUndefined();
  });

  it("tells a refusal in the server's three sentences", async () => {
    serve({ "GET people": refusal(403, "house.administrators-only") });
    const error = await call("people").catch((thrown: unknown) => thrown);
    expect(error).toBeInstanceOf(ProblemError);
    expect((error as ProblemError).problem).toMatchObject({
      status: 403,
      code: "house.administrators-only",
      happened: "It happened.",
      todo: "Do that.",
      faults: [{ field: "line 3", message: "line 3: so" }],
    });
  });

  it("says that a server does not answer", async () => {
    vi.stubGlobal("fetch", () => Promise.reject(new TypeError("network")));
    const error = await call("people").catch((thrown: unknown) => thrown);
    expect((error as ProblemError).problem.code).toBe("server.unreachable");
  });

  it("makes a problem even of an answer that is none", async () => {
    vi.stubGlobal("fetch", () => Promise.resolve(new Response("<html>", { status: 502 })));
    const error = await call("people").catch((thrown: unknown) => thrown);
    expect((error as ProblemError).problem.status).toBe(502);
    expect((error as ProblemError).problem.happened).not.toBe("");
  });
});
