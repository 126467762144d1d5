import type { Api } from "../api/client";

type Verdict = Api["Cell"]["verdict"];

const COLOURS: Record<Verdict, string> = {
  BETTER: "text-success",
  WORSE: "text-error",
  NEITHER: "text-quiet",
};

/** The colour beside the word for a change; never the only sign of it. */
export const verdictColour = (verdict: Verdict) => COLOURS[verdict];
