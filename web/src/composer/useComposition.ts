import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useRef } from "react";
import { call, callForFile, type Api } from "../api/client";
import type { Terms } from "./useTerms";

type Draft = Api["Draft"];

const PAUSE_MS = 150;

const pause = (signal: AbortSignal) =>
  new Promise<void>((go, stop) => {
    const timer = setTimeout(go, PAUSE_MS);
    signal.addEventListener("abort", () => {
      clearTimeout(timer);
      stop(signal.reason as Error);
    });
  });

/** What the terms on the screen mean: sentence, next sends, and the mail and file as a recipient gets them. */
export function useComposition(terms: Terms, as: number | null, own: number | null) {
  const draft: Draft = useDeferredValue({ terms, as, own });
  const begun = useRef(false);
  return useQuery({
    queryKey: ["compositions", JSON.stringify(draft)],
    queryFn: async ({ signal }) => {
      // while somebody types, not before anything is shown
      if (begun.current) await pause(signal);
      begun.current = true;
      return call<Api["Composed"]>("compositions", { method: "POST", body: draft, signal });
    },
    placeholderData: keepPreviousData,
  });
}

/** Saves the very file that a trial would attach. */
export async function saveFile(draft: Draft): Promise<void> {
  const file = await callForFile("compositions/pdf", { method: "POST", body: draft });
  const link = document.createElement("a");
  link.href = URL.createObjectURL(file);
  link.download = `${draft.terms.name}.pdf`;
  link.click();
  URL.revokeObjectURL(link.href);
}
