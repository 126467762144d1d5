import { useState } from "react";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Pick } from "../kit/Pick";
import { words } from "../words";
import type { Subject } from "./GrantSheet";
import { saidOf, type Verb } from "./verbs";

interface Props {
  grid: Api["Grid"];
  open: (what: { folder: Api["FolderRow"]; subject: Subject; own: Verb[] | null }) => void;
}

/** What single people were granted beside their groups, such as by a request. */
export function PersonalGrants({ grid, open }: Props) {
  const folderOf = (id: number) => grid.folders.find((folder) => folder.id === id);
  return (
    <section aria-labelledby="personal" className="pt-5">
      <h2 id="personal" className="text-lg">
        {words.house.personal}
      </h2>
      <ul>
        {grid.personal.map((grant) => {
          const folder = folderOf(grant.folder);
          if (!folder) return null;
          return (
            <li key={`${grant.folder}.${grant.person}`} className="border-base-300 border-t py-1.5">
              <button
                type="button"
                className="choose"
                disabled={!folder.mayChange}
                onClick={() =>
                  open({ folder, subject: ofPerson(folder, grant.person, grant.name), own: grant.verbs })
                }
              >
                {words.house.grantTitle(grant.name, folder.name)}
              </button>
              <span className="text-quiet">: {saidOf(grant.verbs)}</span>
            </li>
          );
        })}
      </ul>
      <GrantToPerson grid={grid} open={open} />
    </section>
  );
}

const ofPerson = (folder: Api["FolderRow"], id: number, name: string): Subject => ({
  name,
  path: `grants/${folder.id}/people/${id}`,
  otherwise: words.house.asGroups,
});

/** Opens the sheet for somebody in a folder: what they have been given there, or nothing yet. */
function GrantToPerson({ grid, open }: Props) {
  const people = useRead<Api["PersonView"][]>("people");
  const [person, setPerson] = useState("");
  const folders = grid.folders.filter((each) => each.mayChange);
  const [folder, setFolder] = useState(folders.length === 1 ? String(folders[0]?.id) : "");
  const chosen = people.data?.find((each) => String(each.id) === person);
  const place = folders.find((each) => String(each.id) === folder);
  if (folders.length === 0) return null;
  return (
    <form
      aria-label={words.house.toPerson}
      className="border-base-300 flex flex-wrap items-end gap-4 border-t pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (!chosen || !place) return;
        const has = grid.personal.find((each) => each.person === chosen.id && each.folder === place.id);
        open({
          folder: place,
          subject: ofPerson(place, chosen.id, chosen.name),
          own: has?.verbs ?? null,
        });
      }}
    >
      <Pick
        label={words.house.person}
        none={words.why.choose}
        all={people.data ?? []}
        value={person}
        pick={setPerson}
      />
      <Pick
        label={words.house.folder}
        none={words.why.choose}
        all={folders}
        value={folder}
        pick={setFolder}
      />
      <button type="submit" className="act-plain" disabled={!chosen || !place}>
        {words.house.toPerson}
      </button>
    </form>
  );
}
