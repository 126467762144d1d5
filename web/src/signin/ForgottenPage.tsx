import { useState } from "react";
import { Link } from "react-router";
import { call } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field } from "../kit/Field";
import { words } from "../words";
import { DoorPage } from "./DoorPage";

/** Asks for a link to set a new password; what is said is the same whether somebody has the address or not. */
export function ForgottenPage() {
  const [address, setAddress] = useState("");
  const ask = useChange(() => call("password-resets", { method: "POST", body: { address } }));
  return (
    <DoorPage title={words.forgotten.title}>
      {ask.isSuccess ? (
        <div role="status" className="space-y-4">
          <h1>{words.forgotten.sentTitle}</h1>
          <p>{words.forgotten.sent(address)}</p>
        </div>
      ) : (
        <form
          className="space-y-4"
          onSubmit={(event) => {
            event.preventDefault();
            ask.mutate();
          }}
        >
          <h1>{words.forgotten.title}</h1>
          <p className="text-quiet">{words.forgotten.line}</p>
          <Field
            label={words.signIn.address}
            type="email"
            autoComplete="username"
            required
            value={address}
            onChange={(event) => setAddress(event.target.value)}
          />
          <Fault error={ask.error} />
          <button type="submit" className="act" disabled={ask.isPending}>
            {words.forgotten.action}
          </button>
        </form>
      )}
      <p className="pt-6">
        <Link to="/sign-in" className="choose">
          {words.forgotten.back}
        </Link>
      </p>
    </DoorPage>
  );
}
