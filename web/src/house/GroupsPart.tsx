import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field, Tick } from "../kit/Field";
import { Loaded } from "../kit/Loaded";
import { useNotice } from "../kit/Notices";
import { words } from "../words";
import { Effect } from "./Effect";
import { GroupSheet } from "./GroupSheet";
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

const same = (a: number[], b: number[]) => a.length === b.length && a.every((id) => b.includes(id));

/** Ticks are gathered, and saved together when it has been seen what they do. */
function Members({ group, people }: { group: Group; people: Person[] }) {
  const [members, setMembers] = useState<number[] | null>(null);
  const [isOpen, setOpen] = useState(false);
  const say = useNotice();
  const change = useChange((wish: number[]) =>
    call(`groups/${group.id}/members`, { method: "PUT", body: { people: wish } }),
  );
  const shown = members ?? group.members;
  const isChanged = !same(shown, group.members);
  const before = group.members;
  return (
    <section aria-label={group.name} className="border-base-300 border-b py-4">
      <h2 className="text-lg">
        {group.name}{" "}
        <span className="text-quiet font-sans text-xs font-normal">
          {words.groups.members(group.members.length)}
        </span>{" "}
        <button
          type="button"
          className="choose font-sans text-xs font-normal"
          aria-label={words.groups.manage(group.name)}
          onClick={() => setOpen(true)}
        >
          {words.groups.renameOrRemove}
        </button>
      </h2>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(12rem,1fr))] gap-x-6 gap-y-1 pt-2">
        {people
          .filter((person) => person.active)
          .map((person) => (
            <Tick
              key={person.id}
              label={person.name}
              checked={shown.includes(person.id)}
              disabled={change.isPending}
              change={(on) => setMembers(on ? [...shown, person.id] : shown.filter((id) => id !== person.id))}
            />
          ))}
      </div>
      <Fault error={change.error} />
      {isOpen && <GroupSheet group={group} close={() => setOpen(false)} />}
      {isChanged && (
        <div className="pt-3 text-sm">
          <p className="font-semibold">{words.house.effectTitle}</p>
          <Effect path={`groups/${group.id}/members/effect`} body={{ people: shown }} />
          <p className="flex gap-4 pt-2">
            <button
              type="button"
              className="act"
              disabled={change.isPending}
              onClick={() =>
                change.mutate(shown, {
                  onSuccess: () => {
                    setMembers(null);
                    say({ text: words.groups.changed(group.name), undo: () => change.mutate(before) });
                  },
                })
              }
            >
              {words.saveChanges}
            </button>
            <button type="button" className="choose" onClick={() => setMembers(null)}>
              {words.leaveIt}
            </button>
          </p>
        </div>
      )}
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
