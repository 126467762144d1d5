import { useState } from "react";
import { Fault } from "../kit/Fault";
import { Field } from "../kit/Field";
import { words } from "../words";

interface Props {
  /** Who is told. */
  to: string;
  yes: string;
  answer: { mutate: (said: { yes: boolean; reply: string }) => void; isPending: boolean; error: unknown };
}

/** Yes or no to what somebody asked for, with a word. */
export function AnswerForm({ to, yes, answer }: Props) {
  const [reply, setReply] = useState("");
  return (
    <>
      <div className="flex flex-wrap items-end gap-4 pt-2">
        <Field
          label={words.requests.reply(to)}
          maxLength={500}
          value={reply}
          className="w-96 max-w-full"
          onChange={(event) => setReply(event.target.value)}
        />
        <button
          type="button"
          className="act-plain"
          disabled={answer.isPending}
          onClick={() => answer.mutate({ yes: true, reply })}
        >
          {yes}
        </button>
        <button
          type="button"
          className="act-plain"
          disabled={answer.isPending}
          onClick={() => answer.mutate({ yes: false, reply })}
        >
          {words.requests.decline}
        </button>
      </div>
      <Fault error={answer.error} />
    </>
  );
}
