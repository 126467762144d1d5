import type { Api } from "../api/client";
import { useRead } from "../api/use";

/** How many are named beside a report; one more is asked for, to tell that there are more. */
export const MOST_NAMED = 4;

/** The subscriptions to a report that the reader may see. */
export const useSubscribed = (report: string) =>
  useRead<Api["SubscriptionLine"][]>(`subscriptions?report=${report}&most=${MOST_NAMED + 1}`);
