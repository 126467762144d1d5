import type { Api } from "../api/client";
import { PauseForm } from "./PauseForm";
import { SendSheet } from "./SendSheet";
import type { useActions } from "./useActions";

interface Props {
  line: Api["SubscriptionLine"];
  /** The act that asks or tells something before it is done; none while nothing is open. */
  open: "pause" | "send" | null;
  actions: ReturnType<typeof useActions>;
  close: () => void;
}

/** What is asked before pausing, and what is told before sending. */
export function OpenAct({ line, open, actions, close }: Props) {
  switch (open) {
    case "pause":
      return <PauseForm name={line.name} pause={actions.pause} close={close} />;
    case "send":
      return <SendSheet line={line} send={actions.send} close={close} />;
    case null:
      return null;
  }
}
