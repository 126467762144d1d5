import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { words } from "../words";
import { Fault } from "./Fault";
import { Field } from "./Field";
import { useEscape } from "./useEscape";

interface Props {
  report: number;
  title: string;
  /** The right that is lacking. */
  wants: Api["RequestWish"]["wants"];
}

/** Asks an administrator for a right on a report; why is said in one line. */
export function AskFor({ report, title, wants }: Props) {
  const [open, setOpen] = useState(false);
  const [because, setBecause] = useState("");
  useEscape(() => setOpen(false), open);
  const ask = useChange(() =>
    call<Api["Asked"]>(`reports/${report}/requests`, { method: "POST", body: { wants, because } }),
  );
  if (ask.isSuccess) return <p role="status">{words.ask.waiting}</p>;
  if (!open) {
    return (
      <button type="button" className="choose" onClick={() => setOpen(true)}>
        {words.ask.to(wants)}
        <span className="sr-only"> {title}</span>
      </button>
    );
  }
  return (
    <form
      aria-label={`${words.ask.to(wants)} ${title}`}
      className="flex flex-wrap items-end gap-x-4 gap-y-2 text-left"
      onSubmit={(event) => {
        event.preventDefault();
        ask.mutate(undefined);
      }}
    >
      <Field
        label={words.ask.because}
        maxLength={500}
        value={because}
        className="w-80 max-w-full"
        onChange={(event) => setBecause(event.target.value)}
      />
      <button type="submit" className="act-plain" disabled={ask.isPending}>
        {words.ask.ask}
      </button>
      <button type="button" className="choose" onClick={() => setOpen(false)}>
        {words.close}
      </button>
      <Fault error={ask.error} />
    </form>
  );
}
