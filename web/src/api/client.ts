import type { components } from "./generated/schema";

/** The shapes of the API, by their names in its description. */
export type Api = components["schemas"];

/** A fault as the server tells it (RFC 9457): what happened, what it means, what to do. */
export interface Problem {
  status: number;
  code: string;
  happened: string;
  means: string;
  todo: string;
  faults: FaultAt[];
}

/** One of several faults, and where it is: a field, or a line and column. */
export interface FaultAt {
  field: string;
  message: string;
}

export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.happened);
  }
}

const ROOT = "/api/v1/";

const unreachable: Problem = {
  status: 0,
  code: "server.unreachable",
  happened: "The server does not answer.",
  means: "What was asked may have arrived or not.",
  todo: "Check the connection, and look whether it was done; mails and subscriptions that are asked for again from this page are not made twice.",
  faults: [],
};

function csrfToken(): string {
  const cookie = document.cookie.split("; ").find((pair) => pair.startsWith("XSRF-TOKEN="));
  return cookie ? decodeURIComponent(cookie.slice("XSRF-TOKEN=".length)) : "";
}

async function problemOf(answer: Response): Promise<Problem> {
  const said = (await answer.json().catch(() => ({}))) as Partial<Problem> & { title?: string };
  return {
    status: answer.status,
    code: said.code ?? "server.failed",
    happened: said.happened ?? said.title ?? unreachable.happened,
    means: said.means ?? unreachable.means,
    todo: said.todo ?? unreachable.todo,
    faults: said.faults ?? [],
  };
}

interface Wish {
  method?: "GET" | "POST" | "PUT" | "DELETE";
  body?: unknown;
  /** Sent as it is, instead of a body. */
  file?: Blob;
  headers?: Record<string, string>;
  signal?: AbortSignal;
}

async function ask(path: string, wish: Wish): Promise<Response> {
  const method = wish.method ?? "GET";
  const headers: Record<string, string> = { ...wish.headers };
  if (method !== "GET") {
    headers["X-XSRF-TOKEN"] = csrfToken();
  }
  if (wish.file || wish.body !== undefined) {
    headers["Content-Type"] = wish.file ? "text/csv" : "application/json";
  }
  const answer = await fetch(ROOT + path, {
    method,
    headers,
    body: wish.file ?? (wish.body === undefined ? undefined : JSON.stringify(wish.body)),
    signal: wish.signal,
  }).catch((cause: unknown) => {
    if (wish.signal?.aborted) throw cause;
    throw new ProblemError(unreachable);
  });
  if (!answer.ok) {
    throw new ProblemError(await problemOf(answer));
  }
  return answer;
}

/** Asks the API and reads its JSON; nothing where it answers with nothing. Throws a {@link ProblemError}. */
export async function call<T>(path: string, wish: Wish = {}): Promise<T> {
  const text = await (await ask(path, wish)).text();
  return (text === "" ? undefined : JSON.parse(text)) as T;
}

/** The bytes of an answer, for a file to look at. */
export async function callForFile(path: string, wish: Wish = {}): Promise<Blob> {
  return (await ask(path, wish)).blob();
}

/** The address of something that the browser fetches by itself, such as a file to download. */
export const address = (path: string): string => ROOT + path;
