import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field, Tick } from "../kit/Field";
import { Heads } from "../kit/Heads";
import { Loaded } from "../kit/Loaded";
import { useNotice } from "../kit/Notices";
import { useMe } from "../kit/useSession";
import { words } from "../words";
import { Minded } from "./Minded";

type Person = Api["PersonView"];

const ROLES: Person["roles"] = ["ADMINISTRATOR", "AUDITOR"];

/** The people with accounts, and inviting another. */
export function PeoplePart() {
  const people = useRead<Person[]>("people");
  const groups = useRead<Api["GroupView"][]>("groups");
  return (
    <Loaded query={people}>
      {(all) => (
        <Minded>
          <table className="stacks" aria-label={words.house.names.people}>
            <Heads names={words.people.heads} />
            <tbody>
              {all.map((person) => (
                <Row key={person.id} person={person} groups={groups.data ?? []} />
              ))}
            </tbody>
          </table>
          <Invite />
        </Minded>
      )}
    </Loaded>
  );
}

function Row({ person, groups }: { person: Person; groups: Api["GroupView"][] }) {
  const me = useMe();
  const change = useChange((wish: Partial<Api["PersonChange"]>) => {
    const { name, zone, roles, active } = person;
    return call(`people/${person.id}`, {
      method: "PUT",
      body: { name, zone, roles, active, ...wish },
    });
  });
  const say = useNotice();
  const signOut = useChange(() => call<Api["Ended"]>(`people/${person.id}/sessions`, { method: "DELETE" }));
  const names = groups.filter((group) => person.groups.includes(group.id)).map((group) => group.name);
  return (
    <tr className="border-base-300 border-t align-top">
      <td className="py-2 pr-6">
        {person.name}
        <span className="text-quiet block text-xs">{person.address}</span>
        <button
          type="button"
          className="choose text-xs"
          aria-label={words.people.signOutOf(person.name)}
          onClick={() =>
            signOut.mutate(undefined, {
              onSuccess: ({ ended }) => say({ text: words.people.signedOut(person.name, ended) }),
            })
          }
        >
          {words.people.signOut}
        </button>
        <Fault error={change.error ?? signOut.error} />
      </td>
      <td className="py-2 pr-6">{names.join(", ")}</td>
      <td className="text-quiet py-2 pr-6">{person.zone}</td>
      {ROLES.map((role) => (
        <td key={role} className="py-2 pr-6">
          <Tick
            label={words.people.roles[role](person.name)}
            checked={person.roles.includes(role)}
            inTable
            disabled={person.id === me.id && role === "ADMINISTRATOR"}
            change={(on) =>
              change.mutate({
                roles: on ? [...person.roles, role] : person.roles.filter((other) => other !== role),
              })
            }
          />
        </td>
      ))}
      <td className="py-2">
        <Tick
          inTable
          label={words.people.isActive(person.name)}
          checked={person.active}
          disabled={person.id === me.id}
          change={(active) => change.mutate({ active })}
        />
      </td>
    </tr>
  );
}

function Invite() {
  const { zone } = useMe();
  const say = useNotice();
  const [name, setName] = useState("");
  const [address, setAddress] = useState("");
  const invite = useChange(() =>
    call("people", { method: "POST", body: { name, address, zone, roles: [] } }),
  );
  return (
    <form
      aria-label={words.people.invite}
      className="border-base-content mt-2 border-t pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        invite.mutate(undefined, {
          onSuccess: () => {
            say({ text: words.people.invited(name, address) });
            setName("");
            setAddress("");
          },
        });
      }}
    >
      <div className="flex flex-wrap items-end gap-4">
        <Field
          label={words.people.name}
          required
          value={name}
          onChange={(e) => setName(e.target.value)}
          className="w-56"
        />
        <Field
          label={words.people.address}
          type="email"
          required
          value={address}
          onChange={(e) => setAddress(e.target.value)}
          className="w-72"
        />
        <button type="submit" className="act" disabled={invite.isPending}>
          {words.people.invite}
        </button>
      </div>
      <Fault error={invite.error} />
    </form>
  );
}
