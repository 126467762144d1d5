import type { Api } from "../api/client";
import { useRead } from "../api/use";

/** Who can be put on the list of what is sent of some reports; of none, nobody is known, and it is not asked. */
export const useCandidates = (reports: number[]) =>
  useRead<Api["Candidate"][]>(`candidates?${reports.map((report) => `report=${report}`).join("&")}`, {
    when: reports.length > 0,
  });
