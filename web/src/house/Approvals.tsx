import { Link } from "react-router";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { AnswerForm } from "./AnswerForm";

type Approval = Api["ApprovalView"];

/** Subscriptions that would show others personal columns, until somebody has approved it. */
export function Approvals({ all }: { all: Approval[] }) {
  return (
    <ul aria-label={words.approvals.title}>
      {all.map((approval) => (
        <ApprovalRow key={approval.id} approval={approval} />
      ))}
    </ul>
  );
}

function ApprovalRow({ approval }: { approval: Approval }) {
  const { moment } = useWhen();
  const { owner, name, others, columns, state, answeredBy } = approval;
  const answer = useChange(({ yes, reply }: { yes: boolean; reply: string }) =>
    call<null>(`approvals/${approval.id}/answer`, { method: "POST", body: { approve: yes, reply, columns } }),
  );
  return (
    <li className="border-base-300 border-b py-4">
      <p className="font-serif text-lg">
        {words.approvals.asks(owner)}{" "}
        <Link className="choose" to={`/subscriptions/${approval.subscription}`}>
          {name}
        </Link>
      </p>
      <p>{words.approvals.shows(others, owner, columns)}</p>
      <p className="text-quiet text-xs">
        {moment(approval.at)}
        {(state === "APPROVED" || state === "DECLINED") &&
          ` · ${words.approvals.answered[state](answeredBy)}${approval.reply && `: ${approval.reply}`}`}
      </p>
      {state === "OPEN" &&
        (approval.mayAnswer ? (
          <AnswerForm to={owner} yes={words.approvals.approve} answer={answer} />
        ) : (
          <p className="text-quiet pt-1 text-sm">{words.approvals.another}</p>
        ))}
    </li>
  );
}
