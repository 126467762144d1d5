import { useState } from "react";
import { Field } from "../kit/Field";
import { useEscape } from "../kit/useEscape";
import { words } from "../words";

interface Props {
  name: string;
  pause: (because: string) => void;
  close: () => void;
}

/** Pausing asks for a reason, which is shown wherever the subscription is; it may be left out. */
export function PauseForm({ name, pause, close }: Props) {
  useEscape(close);
  const [because, setBecause] = useState("");
  return (
    <form
      aria-label={words.act.pauseOf(name)}
      className="border-base-content bg-leaf my-2 flex max-w-xl flex-wrap items-end gap-4 border p-3"
      onSubmit={(event) => {
        event.preventDefault();
        close();
        pause(because);
      }}
    >
      <Field
        label={words.act.because}
        value={because}
        autoFocus
        maxLength={200}
        className="grow"
        onChange={(event) => setBecause(event.target.value)}
      />
      <button type="submit" className="act-plain">
        {words.act.pauseNow}
      </button>
      <button type="button" className="choose" onClick={close}>
        {words.leaveIt}
      </button>
    </form>
  );
}
