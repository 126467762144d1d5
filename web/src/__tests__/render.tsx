import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactElement, ReactNode } from "react";
import { MemoryRouter } from "react-router";
import { vi } from "vitest";
import type { Api } from "../api/client";
import { Notices } from "../kit/Notices";
import { useSession } from "../kit/useSession";

export const MARIT = {
  id: 2,
  name: "Marit Lunde",
  address: "marit.lunde@brinewater.example",
  zone: "Europe/Oslo",
  firstDayOfWeek: "MONDAY" as const,
  locale: "en",
  roles: [] as Api["Me"]["roles"],
  manages: false,
};

export interface Asked {
  method: string;
  path: string;
  body: unknown;
  headers: Record<string, string>;
}

/** Answers by "METHOD path"; a function is given the request. What is not listed is answered with 404. */
type Answers = Record<string, unknown>;

/** Stands where the network would be, and tells what was asked of it. */
export function serve(answers: Answers): Asked[] {
  const asked: Asked[] = [];
  const all: Answers = { "GET session": { me: MARIT, demo: true, now: "2026-11-25T09:00:00Z" }, ...answers };
  vi.stubGlobal("fetch", (url: string, wish: RequestInit = {}) => {
    const one: Asked = {
      method: wish.method ?? "GET",
      path: url.replace("/api/v1/", ""),
      body: typeof wish.body === "string" ? JSON.parse(wish.body) : undefined,
      headers: wish.headers as Record<string, string>,
    };
    asked.push(one);
    const key = `${one.method} ${one.path}`;
    if (!(key in all)) {
      return Promise.resolve(refusal(404, "not-found"));
    }
    const answer = all[key];
    const made: unknown = typeof answer === "function" ? (answer as (asked: Asked) => unknown)(one) : answer;
    return Promise.resolve(
      made instanceof Response ? made : new Response(made === null ? null : JSON.stringify(made)),
    );
  });
  return asked;
}

export function refusal(status: number, code: string): Response {
  const said = {
    code,
    happened: "It happened.",
    means: "It means this.",
    todo: "Do that.",
    faults: [{ field: "line 3", message: "line 3: so" }],
  };
  return new Response(JSON.stringify(said), { status });
}

/** Shows a part of the interface as it stands in the application. */
export function show(part: ReactElement, at = "/") {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <QueryClientProvider client={queries}>
      <MemoryRouter initialEntries={[at]}>
        <Notices>{part}</Notices>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

/** Shows its content once it is known who is signed in. */
export function SignedIn({ children }: { children: ReactNode }) {
  return useSession().data ? <>{children}</> : null;
}
