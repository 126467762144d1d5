import type { Api } from "../api/client";
import { useRead } from "../api/use";

/** The cuts of a report that the reader may use. */
export const useCuts = (report: number) => useRead<Api["CutsView"]>(`reports/${report}/cuts`);
