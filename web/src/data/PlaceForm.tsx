import { useState } from "react";
import { useNavigate } from "react-router";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field } from "../kit/Field";
import { useNotice } from "../kit/Notices";
import { Pick } from "../kit/Pick";
import { words } from "../words";
import { publishable, useFolders } from "./useFolders";

/** What a data set is called and where it stands, and its end when nothing is made of it. */
export function PlaceForm({ line }: { line: Api["DataSetLine"] }) {
  const say = useNotice();
  const navigate = useNavigate();
  const library = useFolders();
  const [name, setName] = useState(line.name);
  const [folder, setFolder] = useState(String(line.folder));
  const path = `data-sets/${line.id}`;
  const change = useChange(
    () => call(`${path}/place`, { method: "PUT", body: { name, folder: Number(folder) } }),
    () => say({ text: words.data.placed(name) }),
  );
  const remove = useChange(
    () => call(path, { method: "DELETE" }),
    () => {
      void navigate("/data");
      say({ text: words.data.removed(line.name) });
    },
  );
  const isChanged = name !== line.name || folder !== String(line.folder);
  return (
    <form
      className="flex flex-wrap items-end gap-4 pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate(undefined);
      }}
    >
      <Field
        label={words.data.name}
        required
        maxLength={120}
        value={name}
        onChange={(event) => setName(event.target.value)}
        className="w-64"
      />
      <Pick
        label={words.data.folder}
        none={words.data.noFolder}
        all={publishable(library.data?.folders ?? [])}
        value={folder}
        pick={setFolder}
      />
      <button type="submit" className="act-plain" disabled={!isChanged || folder === "" || change.isPending}>
        {words.saveChanges}
      </button>
      <button
        type="button"
        className="choose"
        disabled={remove.isPending}
        onClick={() => remove.mutate(undefined)}
      >
        {words.data.remove}
      </button>
      <div className="text-quiet basis-full text-sm">
        {name !== line.name && words.data.renameMeans(line.name)}
        <Fault error={change.error ?? remove.error} />
      </div>
    </form>
  );
}
