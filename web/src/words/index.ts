import { en } from "./en";

/** Everything that the interface says, in the reader's language. */
export const words = en;

export { inSentence } from "./en";
