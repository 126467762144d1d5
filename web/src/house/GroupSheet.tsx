import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field } from "../kit/Field";
import { useNotice } from "../kit/Notices";
import { Sheet } from "../kit/Sheet";
import { SheetEnd } from "../kit/SheetEnd";
import { words } from "../words";
import { Effect } from "./Effect";

interface Props {
  group: Api["GroupView"];
  close: () => void;
}

/** Another name for a group, or its end; told beforehand, what goes by it. */
export function GroupSheet({ group, close }: Props) {
  const say = useNotice();
  const [name, setName] = useState(group.name);
  const [removes, setRemoves] = useState(false);
  const use = useRead<Api["GroupUse"]>(`groups/${group.id}/use`);
  const path = `groups/${group.id}`;
  const rename = useChange(
    () => call(path, { method: "PUT", body: { name } }),
    () => {
      close();
      say({ text: words.groups.renamed(group.name, name) });
    },
  );
  const remove = useChange(
    () => call(path, { method: "DELETE" }),
    () => {
      close();
      say({ text: words.groups.removed(group.name) });
    },
  );
  const ruled = use.data?.ruled ?? [];
  return (
    <Sheet label={words.groups.manage(group.name)} close={close}>
      <form
        id="group"
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          rename.mutate(undefined);
        }}
      >
        <h2>{group.name}</h2>
        <Field
          label={words.groups.renameTo}
          required
          maxLength={120}
          value={name}
          onChange={(event) => setName(event.target.value)}
          className="w-72"
        />
        {ruled.length > 0 && <p className="text-late text-sm">{words.groups.ruled(ruled)}</p>}
        <Fault error={rename.error ?? remove.error} />
      </form>
      <div className="text-sm">
        {removes ? (
          <>
            <p className="font-semibold">{words.groups.removalMeans}</p>
            <Effect path={`${path}/members/effect`} body={{ people: [] }} />
            <button
              type="button"
              className="act-plain"
              disabled={remove.isPending}
              onClick={() => remove.mutate(undefined)}
            >
              {words.groups.removeNow(group.name)}
            </button>
          </>
        ) : (
          <button type="button" className="choose" onClick={() => setRemoves(true)}>
            {words.groups.remove}
          </button>
        )}
      </div>
      <SheetEnd close={close}>
        <button type="submit" form="group" className="act" disabled={name === group.name || rename.isPending}>
          {words.saveChanges}
        </button>
      </SheetEnd>
    </Sheet>
  );
}
