import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Loaded } from "../kit/Loaded";
import { words } from "../words";
import { DoorPage } from "./DoorPage";
import { PasswordField } from "./PasswordField";

/** Where somebody sets a password by a link that was mailed; being signed in follows. */
export function InvitationPage() {
  const { token = "" } = useParams();
  const [password, setPassword] = useState("");
  const navigate = useNavigate();
  const path = `invitations/${encodeURIComponent(token)}`;
  const invitation = useRead<Api["InvitationView"]>(path);
  const accept = useChange(() => call(path, { method: "POST", body: { password } }));
  return (
    <DoorPage title={words.invitation.pageTitle}>
      <Loaded query={invitation}>
        {({ name, address, reset }) => (
          <form
            className="space-y-4"
            onSubmit={(event) => {
              event.preventDefault();
              accept.mutate(undefined, { onSuccess: () => void navigate("/sign-in") });
            }}
          >
            <h1>{reset ? words.invitation.resetTitle : words.invitation.title(name)}</h1>
            <p className="text-quiet">
              {reset ? words.invitation.resetLine(name, address) : words.invitation.line(address)}
            </p>
            <PasswordField
              label={words.invitation.password}
              kind="new-password"
              value={password}
              change={setPassword}
            />
            <Fault error={accept.error} />
            <button type="submit" className="act" disabled={accept.isPending}>
              {words.invitation.action}
            </button>
          </form>
        )}
      </Loaded>
      {invitation.isError && (
        <p className="pt-4">
          <Link to="/forgotten-password" className="choose">
            {words.forgotten.ask}
          </Link>
        </p>
      )}
    </DoorPage>
  );
}
