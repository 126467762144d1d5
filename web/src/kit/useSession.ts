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

/** Whether somebody reads everything in the house by his role. */
export const readsHouse = (me: Api["Me"]) => me.roles.length > 0;

/** Whether there is something of the house for somebody. */
export const mindsHouse = (me: Api["Me"]) => readsHouse(me) || me.manages;

export const useIsAdministrator = () => useMe().roles.includes("ADMINISTRATOR");
