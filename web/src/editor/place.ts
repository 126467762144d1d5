import { ProblemError, type FaultAt } from "../api/client";

const NONE: FaultAt[] = [];

/** What is wrong with a text itself; none where something else is. */
export const faultsOf = (error: unknown): FaultAt[] =>
  error instanceof ProblemError ? error.problem.faults : NONE;

/** "line 5, column 10", as the server names places, in numbers; the beginning where it names none. */
export function placeOf(field: string): { line: number; column: number } {
  const found = /line (\d+)(?:, column (\d+))?/.exec(field);
  return { line: Number(found?.[1] ?? 1), column: Number(found?.[2] ?? 1) };
}
