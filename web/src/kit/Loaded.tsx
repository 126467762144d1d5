import type { UseQueryResult } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { ProblemError } from "../api/client";
import { words } from "../words";
import { Fault } from "./Fault";
import { NotHere } from "./NotHere";

interface Props<T> {
  query: UseQueryResult<T>;
  children: (data: T) => ReactNode;
}

/** What is being read, once it is there; until then that it is on its way, or why it did not come. */
export function Loaded<T>({ query, children }: Props<T>) {
  if (query.data !== undefined) {
    return (
      <>
        {query.isError && <Fault error={query.error} again={() => void query.refetch()} />}
        {children(query.data)}
      </>
    );
  }
  if (query.error instanceof ProblemError && query.error.problem.status === 404) {
    return <NotHere problem={query.error.problem} />;
  }
  if (query.isError) {
    return <Fault error={query.error} again={() => void query.refetch()} />;
  }
  return (
    <p role="status" className="text-quiet py-6">
      {words.loading}
    </p>
  );
}
