import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field } from "../kit/Field";
import { Heads } from "../kit/Heads";
import { Loaded } from "../kit/Loaded";
import { useNotice } from "../kit/Notices";
import { useMe, useSession } from "../kit/useSession";
import { words } from "../words";
import { Minded } from "./Minded";
import { PersonSheet } from "./PersonSheet";

type Person = Api["PersonView"];

/** The people with accounts, and inviting another. */
export function PeoplePart() {
  const people = useRead<Person[]>("people");
  const groups = useRead<Api["GroupView"][]>("groups");
  const [chosen, setChosen] = useState<number | null>(null);
  return (
    <Loaded query={people}>
      {(all) => {
        const person = all.find((each) => each.id === chosen);
        return (
          <Minded>
            <table className="stacks" aria-label={words.house.names.people}>
              <Heads names={words.people.heads} />
              <tbody>
                {all.map((each) => (
                  <Row
                    key={each.id}
                    person={each}
                    groups={groups.data ?? []}
                    open={() => setChosen(each.id)}
                  />
                ))}
              </tbody>
            </table>
            <Invite />
            {person && <PersonSheet key={person.id} person={person} close={() => setChosen(null)} />}
          </Minded>
        );
      }}
    </Loaded>
  );
}

interface RowProps {
  person: Person;
  groups: Api["GroupView"][];
  open: () => void;
}

function Row({ person, groups, open }: RowProps) {
  const demo = useSession().data?.demo ?? false;
  const names = groups.filter((group) => person.groups.includes(group.id)).map((group) => group.name);
  return (
    <tr className="border-base-300 border-t align-top">
      <td className="py-2 pr-6">
        {person.name}
        <span className="text-quiet block text-xs">{person.address}</span>
        {person.newAddress && (
          <span className="text-quiet block text-xs">{words.people.waitsFor(person.newAddress)}</span>
        )}
      </td>
      <td className="py-2 pr-6">{names.join(", ")}</td>
      <td className="text-quiet py-2 pr-6">{person.zone}</td>
      <td className="py-2 pr-6">{person.roles.map((role) => words.houseRole[role]).join(", ")}</td>
      <td className="py-2 pr-6">{words.people.state(person.active, person.invited, demo)}</td>
      <td className="py-2">
        <button
          type="button"
          className="choose"
          aria-label={words.people.changeOf(person.name)}
          onClick={open}
        >
          {words.people.change}
        </button>
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
