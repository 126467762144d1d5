import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { call } from "./client";

interface Options {
  /** How often to ask again, in milliseconds. */
  every?: number | false;
  /** Not asked while false. */
  when?: boolean;
}

/** Reads an address of the API; what was shown before stays until the new answer is there. */
export function useRead<T>(path: string, options: Options = {}) {
  return useQuery({
    queryKey: [path],
    queryFn: ({ signal }) => call<T>(path, { signal }),
    placeholderData: keepPreviousData,
    refetchInterval: options.every ?? false,
    enabled: options.when ?? true,
  });
}

/**
 * Changes something; afterwards everything on the screen is read anew, as any of it may tell of the change.
 *
 * @param then what follows when it is done, before anything is read anew: also where that takes the asker off the screen
 */
export function useChange<Wish, Answer = void>(
  change: (wish: Wish) => Promise<Answer>,
  then?: (answer: Answer) => void,
) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: (answer) => then?.(answer),
    onSettled: () => queries.invalidateQueries(),
  });
}

const KEY_BYTES = 16;

/** Works where a page is not on https too, as `randomUUID` does not. */
const newKey = () =>
  [...crypto.getRandomValues(new Uint8Array(KEY_BYTES))]
    .map((byte) => byte.toString(16).padStart(2, "0"))
    .join("");

/**
 * Posts what must not be done twice: until it is answered, the same wish at the same address carries the same key, so
 * that the server knows it when it is sent again (draft-ietf-httpapi-idempotency-key-header).
 */
export function usePostOnce() {
  const open = useRef({ wish: "", key: "" });
  return async <Answer>(path: string, body?: unknown): Promise<Answer> => {
    const wish = path + JSON.stringify(body);
    if (open.current.wish !== wish) open.current = { wish, key: newKey() };
    const headers = { "Idempotency-Key": open.current.key };
    const answer = await call<Answer>(path, { method: "POST", body, headers });
    open.current = { wish: "", key: "" };
    return answer;
  };
}
