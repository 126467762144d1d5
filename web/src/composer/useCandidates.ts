import type { Api } from "../api/client";
import { useRead } from "../api/use";

/** Who can be put on the list of what is sent of some reports. */
export const useCandidates = (reports: number[]) =>
  useRead<Api["Candidate"][]>(`candidates?${reports.map((report) => `report=${report}`).join("&")}`);
