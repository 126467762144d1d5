import { Link, useParams } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Loaded } from "../kit/Loaded";
import { words } from "../words";
import { DoorPage } from "./DoorPage";

/** Where somebody confirms a new mail address; opening the page alone, as some mail programs do, changes nothing. */
export function AddressChangePage() {
  const { token = "" } = useParams();
  const path = `address-changes/${encodeURIComponent(token)}`;
  const confirm = useChange(() => call(path, { method: "POST" }));
  return (
    <DoorPage title={words.addressChange.title}>
      {confirm.isSuccess ? (
        <div role="status" className="space-y-4">
          <h1>{words.addressChange.doneTitle}</h1>
          <p>{words.addressChange.done}</p>
          <p>
            <Link to="/" className="choose">
              {words.addressChange.on}
            </Link>
          </p>
        </div>
      ) : (
        <Asked path={path} confirm={() => confirm.mutate()} busy={confirm.isPending} error={confirm.error} />
      )}
    </DoorPage>
  );
}

interface AskedProps {
  path: string;
  confirm: () => void;
  busy: boolean;
  error: Error | null;
}

function Asked({ path, confirm, busy, error }: AskedProps) {
  const change = useRead<Api["Confirmed"]>(path);
  return (
    <Loaded query={change}>
      {({ name, address }) => (
        <div className="space-y-4">
          <h1>{words.addressChange.title}</h1>
          <p>{words.addressChange.line(name, address)}</p>
          <Fault error={error} />
          <button type="button" className="act" disabled={busy} onClick={confirm}>
            {words.addressChange.action}
          </button>
        </div>
      )}
    </Loaded>
  );
}
