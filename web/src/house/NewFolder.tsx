import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field } from "../kit/Field";
import { Pick } from "../kit/Pick";
import { words } from "../words";

/** Adds a folder; nobody may do anything in it until granted. */
export function NewFolder({ folders }: { folders: Api["FolderRow"][] }) {
  const [name, setName] = useState("");
  const [parent, setParent] = useState("");
  const add = useChange(() =>
    call("folders", { method: "POST", body: { name, parent: parent === "" ? null : Number(parent) } }),
  );
  return (
    <form
      aria-label={words.house.newFolder}
      className="border-base-content mt-2 flex flex-wrap items-end gap-4 border-t pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate(undefined, { onSuccess: () => setName("") });
      }}
    >
      <Field
        label={words.house.newFolder}
        required
        value={name}
        onChange={(event) => setName(event.target.value)}
        className="w-64"
      />
      <Pick label={words.house.within} none={words.house.top} all={folders} value={parent} pick={setParent} />
      <button type="submit" className="act-plain" disabled={add.isPending}>
        {words.house.addFolder}
      </button>
      <Fault error={add.error} />
    </form>
  );
}
