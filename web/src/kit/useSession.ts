import type { Api } from "../api/client";
import { useRead } from "../api/use";

export const useSession = () => useRead<Api["SessionView"]>("session", { every: 20_000 });

/** The person who is signed in; only for views that are shown to nobody else. */
export function useMe(): Api["Me"] {
  const me = useSession().data?.me;
  if (!me) {
    throw new Error("Shown without anybody signed in");
  }
  return me;
}

export const useIsAdministrator = () => useMe().roles.includes("ADMINISTRATOR");
