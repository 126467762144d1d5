import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field, Tick } from "../kit/Field";
import { useNotice } from "../kit/Notices";
import { Sheet } from "../kit/Sheet";
import { SheetEnd } from "../kit/SheetEnd";
import { useMe } from "../kit/useSession";
import { words } from "../words";
import { Effect } from "./Effect";
import { HandOverAll } from "./HandOverAll";

type Person = Api["PersonView"];

const ROLES: Person["roles"] = ["ADMINISTRATOR", "AUDITOR"];

interface Props {
  person: Person;
  close: () => void;
}

/** One person: the name, roles and whether they may sign in, saved together when it has been seen what that does. */
export function PersonSheet({ person, close }: Props) {
  const me = useMe();
  const say = useNotice();
  const before: Api["PersonChange"] = {
    name: person.name,
    zone: person.zone,
    roles: person.roles,
    active: person.active,
  };
  const [wish, setWish] = useState(before);
  const change = useChange((chosen: Api["PersonChange"]) =>
    call(`people/${person.id}`, { method: "PUT", body: chosen }),
  );
  const isMe = person.id === me.id;
  const changesRights =
    wish.active !== before.active || String([...wish.roles].sort()) !== String([...before.roles].sort());
  const isChanged = changesRights || wish.name !== before.name;
  return (
    <Sheet label={words.people.changeOf(person.name)} close={close}>
      <form
        id="person"
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate(wish, {
            onSuccess: () => {
              close();
              say({ text: words.people.changed(wish.name), undo: () => change.mutate(before) });
            },
          });
        }}
      >
        <h2>{person.name}</h2>
        <Field
          label={words.people.name}
          required
          value={wish.name}
          onChange={(event) => setWish({ ...wish, name: event.target.value })}
          className="w-72"
        />
        {ROLES.map((role) => (
          <p key={role}>
            <Tick
              label={words.people.roles[role]}
              checked={wish.roles.includes(role)}
              disabled={isMe && role === "ADMINISTRATOR"}
              change={(on) =>
                setWish({
                  ...wish,
                  roles: on ? [...wish.roles, role] : wish.roles.filter((other) => other !== role),
                })
              }
            />
          </p>
        ))}
        <p>
          <Tick
            label={words.people.maySignIn}
            checked={wish.active}
            disabled={isMe}
            change={(active) => setWish({ ...wish, active })}
          />
        </p>
        <Fault error={change.error} />
      </form>
      <div className="space-y-4 text-sm">
        {changesRights && (
          <div>
            <p className="font-semibold">{words.house.effectTitle}</p>
            <Effect path={`people/${person.id}/effect?${effectOf(wish)}`} />
          </div>
        )}
        <Address person={person} />
        <Access person={person} />
        <HandOverAll person={person} />
      </div>
      <SheetEnd close={close}>
        <button type="submit" form="person" className="act" disabled={!isChanged || change.isPending}>
          {words.saveChanges}
        </button>
      </SheetEnd>
    </Sheet>
  );
}

const effectOf = ({ roles, active }: Api["PersonChange"]) =>
  new URLSearchParams([...roles.map((role) => ["roles", role]), ["active", `${active}`]]).toString();

/** Another mail address, which holds from when it is confirmed. */
function Address({ person }: { person: Person }) {
  const say = useNotice();
  const [address, setAddress] = useState("");
  const path = `people/${person.id}/address`;
  const ask = useChange(() => call(path, { method: "PUT", body: { address } }));
  const withdraw = useChange(() => call(path, { method: "DELETE" }));
  return (
    <form
      aria-label={words.people.mailAddress}
      onSubmit={(event) => {
        event.preventDefault();
        ask.mutate(undefined, {
          onSuccess: () => {
            say({ text: words.people.addressAsked(address) });
            setAddress("");
          },
        });
      }}
    >
      <p>{words.people.addressIs(person.address)}</p>
      {person.newAddress && (
        <p className="text-quiet">
          {words.people.waitsFor(person.newAddress)}{" "}
          <button type="button" className="choose" onClick={() => withdraw.mutate()}>
            {words.people.withdraw}
          </button>
        </p>
      )}
      <div className="flex flex-wrap items-end gap-4">
        <Field
          label={words.people.otherAddress}
          type="email"
          required
          value={address}
          onChange={(event) => setAddress(event.target.value)}
          className="w-64"
        />
        <button type="submit" className="act-plain" disabled={ask.isPending}>
          {words.people.askAddress}
        </button>
      </div>
      <Fault error={ask.error ?? withdraw.error} />
    </form>
  );
}

/** How they get in: a new invitation until they have a password, and the way out of everywhere. */
function Access({ person }: { person: Person }) {
  const say = useNotice();
  const invite = useChange(() => call(`people/${person.id}/invitations`, { method: "POST" }));
  const signOut = useChange(() => call<Api["Ended"]>(`people/${person.id}/sessions`, { method: "DELETE" }));
  return (
    <div>
      <p className="flex flex-wrap gap-4">
        {person.invited && person.active && (
          <button
            type="button"
            className="choose"
            disabled={invite.isPending}
            onClick={() =>
              invite.mutate(undefined, {
                onSuccess: () => say({ text: words.people.invited(person.name, person.address) }),
              })
            }
          >
            {words.people.inviteAgain}
          </button>
        )}
        <button
          type="button"
          className="choose"
          disabled={signOut.isPending}
          onClick={() =>
            signOut.mutate(undefined, {
              onSuccess: ({ ended }) => say({ text: words.people.signedOut(person.name, ended) }),
            })
          }
        >
          {words.people.signOut}
        </button>
      </p>
      <Fault error={invite.error ?? signOut.error} />
    </div>
  );
}
