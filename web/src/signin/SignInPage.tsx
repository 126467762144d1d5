import { useState } from "react";
import { Link, Navigate, useLocation, useNavigate, type Location } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field } from "../kit/Field";
import { Wordmark } from "../kit/Wordmark";
import { usePageTitle } from "../kit/pageTitle";
import { words } from "../words";
import { PasswordField } from "./PasswordField";

interface Props {
  demo: boolean;
  signedIn: boolean;
}

/** The door: an own account, and in the demo one click a person. */
export function SignInPage({ demo, signedIn }: Props) {
  const arrival = useLocation().state as { from?: Location; ended?: boolean } | null;
  const from = arrival?.from;
  if (signedIn) {
    return <Navigate to={from ? from.pathname + from.search : "/"} replace />;
  }
  return (
    <main className="mx-auto max-w-4xl px-4 pt-[10vh] pb-16">
      <p className="font-serif text-5xl">
        <Wordmark />
      </p>
      <p className="text-quiet mt-2 text-lg">{words.signIn.motto}</p>
      <div className="mt-10 grid gap-12 md:grid-cols-[1fr_2fr]">
        <div>
          {arrival?.ended && (
            <p role="alert" className="border-late mb-6 border-l-2 py-1 pl-3">
              {words.signIn.ended}
            </p>
          )}
          <PasswordForm />
        </div>
        {demo && <DemoPeople />}
      </div>
    </main>
  );
}

function PasswordForm() {
  usePageTitle(words.signIn.title);
  const [address, setAddress] = useState("");
  const [password, setPassword] = useState("");
  const signIn = useChange(() => call("session", { method: "POST", body: { address, password } }));
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault();
        signIn.mutate();
      }}
    >
      <h1 className="text-2xl">{words.signIn.title}</h1>
      <Field
        label={words.signIn.address}
        type="email"
        autoComplete="username"
        required
        value={address}
        onChange={(event) => setAddress(event.target.value)}
      />
      <PasswordField
        label={words.signIn.password}
        kind="current-password"
        value={password}
        change={setPassword}
      />
      <Fault error={signIn.error} />
      <button type="submit" className="act" disabled={signIn.isPending}>
        {words.signIn.action}
      </button>
      <p>
        <Link to="/forgotten-password" className="choose">
          {words.forgotten.title}
        </Link>
      </p>
    </form>
  );
}

function DemoPeople() {
  const people = useRead<Api["DemoPerson"][]>("demo/people");
  const navigate = useNavigate();
  const choose = useChange((person: number) => call("demo/sign-in", { method: "POST", body: { person } }));
  return (
    <section aria-label={words.signIn.demo}>
      <h2>{words.signIn.demo}</h2>
      <p className="text-quiet pb-2">{words.signIn.demoLine}</p>
      <Fault error={choose.error ?? people.error} />
      <ul>
        {people.data?.map((person) => (
          <li key={person.id} className="border-base-300 flex items-baseline justify-between border-t py-2">
            <span>
              <button
                type="button"
                className="choose font-serif text-lg"
                onClick={() => choose.mutate(person.id, { onSuccess: () => void navigate("/") })}
              >
                {person.name}
              </button>
            </span>
            <span className="text-quiet text-xs">
              {[...person.groups, ...person.roles.map((role) => words.houseRole[role])].join(" · ")}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
