import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field, Tick } from "../kit/Field";
import { Loaded } from "../kit/Loaded";
import { words } from "../words";
import { Minded } from "./Minded";

type Group = Api["GroupView"];
type Person = Api["PersonView"];

/** Groups and who is in them; a new group may do nothing until granted. */
export function GroupsPart() {
  const groups = useRead<Group[]>("groups");
  const people = useRead<Person[]>("people");
  return (
    <Loaded query={groups}>
      {(all) => (
        <Minded>
          {all.map((group) => (
            <Members key={group.id} group={group} people={people.data ?? []} />
          ))}
          <NewGroup />
        </Minded>
      )}
    </Loaded>
  );
}

function Members({ group, people }: { group: Group; people: Person[] }) {
  const change = useChange((members: number[]) =>
    call(`groups/${group.id}/members`, { method: "PUT", body: { people: members } }),
  );
  return (
    <section aria-label={group.name} className="border-base-300 border-b py-4">
      <h2 className="text-lg">
        {group.name}{" "}
        <span className="text-quiet font-sans text-xs font-normal">
          {words.groups.members(group.members.length)}
        </span>
      </h2>
      <Fault error={change.error} />
      <div className="grid grid-cols-[repeat(auto-fill,minmax(12rem,1fr))] gap-x-6 gap-y-1 pt-2">
        {people
          .filter((person) => person.active)
          .map((person) => (
            <Tick
              key={person.id}
              label={person.name}
              checked={group.members.includes(person.id)}
              disabled={change.isPending}
              change={(on) =>
                change.mutate(
                  on ? [...group.members, person.id] : group.members.filter((id) => id !== person.id),
                )
              }
            />
          ))}
      </div>
    </section>
  );
}

function NewGroup() {
  const [name, setName] = useState("");
  const add = useChange(() => call("groups", { method: "POST", body: { name } }));
  return (
    <form
      aria-label={words.groups.add}
      className="flex flex-wrap items-end gap-4 pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate(undefined, { onSuccess: () => setName("") });
      }}
    >
      <Field
        label={words.groups.name}
        required
        value={name}
        onChange={(event) => setName(event.target.value)}
        className="w-64"
      />
      <button type="submit" className="act-plain" disabled={add.isPending}>
        {words.groups.add}
      </button>
      <Fault error={add.error} />
    </form>
  );
}
