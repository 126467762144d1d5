import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field } from "../kit/Field";
import { Loaded } from "../kit/Loaded";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { Minded } from "./Minded";

type Request = Api["RequestView"];

/** Who asks to be allowed what; the open ones first. */
export function RequestsPart() {
  const requests = useRead<Request[]>("requests", { every: 20_000 });
  return (
    <Loaded query={requests}>
      {(all) =>
        all.length === 0 ? (
          <p className="py-6">{words.requests.none}</p>
        ) : (
          <Minded>
            <ul aria-label={words.house.names.requests}>
              {all.map((request) => (
                <RequestRow key={request.id} request={request} />
              ))}
            </ul>
          </Minded>
        )
      }
    </Loaded>
  );
}

function RequestRow({ request }: { request: Request }) {
  const { moment } = useWhen();
  const [reply, setReply] = useState("");
  const answer = useChange((grant: boolean) =>
    call<null>(`requests/${request.id}/answer`, { method: "POST", body: { grant, reply } }),
  );
  return (
    <li className="border-base-300 border-b py-4">
      <p className="font-serif text-lg">
        {words.requests.asks(request.person, request.wants, request.report)}
      </p>
      {request.because && <p>{request.because}</p>}
      <p className="text-quiet text-xs">
        {moment(request.at)}
        {request.state !== "OPEN" &&
          ` · ${words.requests.answered[request.state](request.answeredBy)}${request.reply && `: ${request.reply}`}`}
      </p>
      {request.state === "OPEN" && (
        <>
          <p className="text-quiet pt-1 text-sm">{request.gives}</p>
          <div className="flex flex-wrap items-end gap-4 pt-2">
            <Field
              label={words.requests.reply(request.person)}
              maxLength={500}
              value={reply}
              className="w-96 max-w-full"
              onChange={(event) => setReply(event.target.value)}
            />
            <button
              type="button"
              className="act"
              disabled={answer.isPending}
              onClick={() => answer.mutate(true)}
            >
              {words.requests.grant}
            </button>
            <button
              type="button"
              className="act-plain"
              disabled={answer.isPending}
              onClick={() => answer.mutate(false)}
            >
              {words.requests.decline}
            </button>
          </div>
          <Fault error={answer.error} />
        </>
      )}
    </li>
  );
}
