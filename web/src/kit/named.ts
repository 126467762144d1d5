import type { Api } from "../api/client";
import { useRead } from "../api/use";

export type Named = Api["NamedView"];

/** Named values of the folders that I may see. */
export const useNamed = () => useRead<Named[]>("named-values");
