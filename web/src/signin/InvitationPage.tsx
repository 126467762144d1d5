import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Loaded } from "../kit/Loaded";
import { Wordmark } from "../kit/Wordmark";
import { words } from "../words";
import { PasswordField } from "./PasswordField";

/** Where an invited person sets the password; being signed in follows. */
export function InvitationPage() {
  const { token = "" } = useParams();
  const [password, setPassword] = useState("");
  const navigate = useNavigate();
  const path = `invitations/${encodeURIComponent(token)}`;
  const invitation = useRead<Api["InvitationView"]>(path);
  const accept = useChange(() => call(path, { method: "POST", body: { password } }));
  return (
    <main className="mx-auto max-w-md px-4 pt-[10vh]">
      <p className="pb-10 font-serif text-2xl">
        <Wordmark />
      </p>
      <Loaded query={invitation}>
        {({ name, address }) => (
          <form
            className="space-y-4"
            onSubmit={(event) => {
              event.preventDefault();
              accept.mutate(undefined, { onSuccess: () => void navigate("/sign-in") });
            }}
          >
            <h1>{words.invitation.title(name)}</h1>
            <p className="text-quiet">{words.invitation.line(address)}</p>
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
    </main>
  );
}
