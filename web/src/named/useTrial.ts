import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { call, type Api } from "../api/client";

/** What a value would come to, asked anew when its definition changes; not before there is something to ask. */
export function useTrial(wish: Api["NamedWish"]) {
  const asked = useDeferredValue(wish);
  const { named } = asked;
  // whether it has a name yet does not change what it comes to
  const body = { ...asked, named: { ...named, name: named.name.trim() || "value" } };
  return useQuery({
    queryKey: ["named-values/trials", JSON.stringify(body)],
    queryFn: ({ signal }) => call<Api["Outcome"]>("named-values/trials", { method: "POST", body, signal }),
    enabled: isAsked(named) && asked.folder !== 0,
    retry: false,
  });
}

const isAsked = (named: Api["NamedValue"]) =>
  named.kind === "CONSTANT"
    ? named.values.length > 0
    : named.kind === "FORMULA"
      ? named.formula.trim() !== ""
      : named.dataSet !== null && named.column !== "";
