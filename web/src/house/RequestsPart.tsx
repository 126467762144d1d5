import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { readsHouse, useMe } from "../kit/useSession";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { AnswerForm } from "./AnswerForm";
import { Approvals } from "./Approvals";
import { Minded } from "./Minded";

type Request = Api["RequestView"];

/** Who asks to be allowed what, and, for the whole house, what waits to be approved; the open ones first. */
export function RequestsPart() {
  const house = readsHouse(useMe());
  return house ? <RequestsOfHouse /> : <Requests waiting={[]} />;
}

function RequestsOfHouse() {
  const approvals = useRead<Api["ApprovalView"][]>("approvals", { every: 20_000 });
  return <Loaded query={approvals}>{(waiting) => <Requests waiting={waiting} />}</Loaded>;
}

function Requests({ waiting }: { waiting: Api["ApprovalView"][] }) {
  const requests = useRead<Request[]>("requests", { every: 20_000 });
  return (
    <Loaded query={requests}>
      {(all) =>
        all.length + waiting.length === 0 ? (
          <p className="py-6">{words.requests.none}</p>
        ) : (
          <>
            {waiting.length > 0 && (
              <Minded>
                <Approvals all={waiting} />
              </Minded>
            )}
            <ul aria-label={words.house.names.requests}>
              {all.map((request) => (
                <RequestRow key={request.id} request={request} />
              ))}
            </ul>
          </>
        )
      }
    </Loaded>
  );
}

function RequestRow({ request }: { request: Request }) {
  const { moment } = useWhen();
  const answer = useChange(({ yes, reply }: { yes: boolean; reply: string }) =>
    call<null>(`requests/${request.id}/answer`, { method: "POST", body: { grant: yes, reply } }),
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
          <fieldset disabled={!request.mayAnswer} className="contents">
            <AnswerForm to={request.person} yes={words.requests.grant} answer={answer} />
          </fieldset>
        </>
      )}
    </li>
  );
}
