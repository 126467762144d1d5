import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
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

/** Changes something; afterwards everything on the screen is read anew, as any of it may tell of the change. */
export function useChange<Wish, Answer = void>(change: (wish: Wish) => Promise<Answer>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSettled: () => queries.invalidateQueries(),
  });
}
