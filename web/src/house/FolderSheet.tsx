import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field } from "../kit/Field";
import { useNotice } from "../kit/Notices";
import { Pick } from "../kit/Pick";
import { Sheet } from "../kit/Sheet";
import { SheetEnd } from "../kit/SheetEnd";
import { words } from "../words";
import { Effect } from "./Effect";

type Folder = Api["FolderRow"];

interface Props {
  folder: Folder;
  folders: Folder[];
  close: () => void;
}

/** Another name or place for a folder, or its end when nothing is in it. */
export function FolderSheet({ folder, folders, close }: Props) {
  const say = useNotice();
  const [name, setName] = useState(folder.name);
  const [parent, setParent] = useState(folder.parent === null ? "" : String(folder.parent));
  const path = `folders/${folder.id}`;
  const isMoved = parent !== (folder.parent === null ? "" : String(folder.parent));
  const change = useChange(
    () => call(path, { method: "PUT", body: { name, parent: parent === "" ? null : Number(parent) } }),
    () => {
      close();
      say({ text: words.house.folderChanged(name) });
    },
  );
  const remove = useChange(
    () => call(path, { method: "DELETE" }),
    () => {
      close();
      say({ text: words.house.folderRemoved(folder.name) });
    },
  );
  return (
    <Sheet label={words.house.changeFolder(folder.name)} close={close}>
      <form
        id="folder"
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate(undefined);
        }}
      >
        <h2>{folder.name}</h2>
        <Field
          label={words.house.folderName}
          required
          maxLength={120}
          value={name}
          onChange={(event) => setName(event.target.value)}
          className="w-72"
        />
        <Pick
          label={words.house.liesIn}
          none={words.house.top}
          all={folders.filter((each) => !isWithin(each, folder, folders))}
          value={parent}
          pick={setParent}
        />
        <Fault error={change.error ?? remove.error} />
      </form>
      <div className="space-y-3 text-sm">
        {isMoved && (
          <div>
            <p className="font-semibold">{words.house.effectTitle}</p>
            <Effect path={`${path}/effect${parent === "" ? "" : `?parent=${parent}`}`} />
          </div>
        )}
        <button
          type="button"
          className="choose"
          disabled={remove.isPending}
          onClick={() => remove.mutate(undefined)}
        >
          {words.house.removeFolder}
        </button>
      </div>
      <SheetEnd close={close}>
        <button
          type="submit"
          form="folder"
          className="act"
          disabled={(name === folder.name && !isMoved) || change.isPending}
        >
          {words.saveChanges}
        </button>
      </SheetEnd>
    </Sheet>
  );
}

/** Whether one lies in the other, or is it. */
function isWithin(folder: Folder, outer: Folder, folders: Folder[]): boolean {
  if (folder.id === outer.id) return true;
  const above = folders.find((each) => each.id === folder.parent);
  return above !== undefined && isWithin(above, outer, folders);
}
