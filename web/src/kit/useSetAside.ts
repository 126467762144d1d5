import type { Api } from "../api/client";
import { useRead } from "../api/use";

const EVERY_MS = 20_000;

/** What is set aside of the whole organisation, or of one's own things. */
export const useSetAside = () => useRead<Api["SetAsideView"][]>("set-aside", { every: EVERY_MS });
