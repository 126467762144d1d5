import type { Api } from "../api/client";
import { words } from "../words";
import type { Subject } from "./GrantSheet";
import { saidOf, type Verb } from "./verbs";

interface Props {
  grid: Api["Grid"];
  open: (what: { folder: Api["FolderRow"]; subject: Subject; own: Verb[] | null }) => void;
}

/** What single people were granted beside their groups, such as by a request. */
export function PersonalGrants({ grid, open }: Props) {
  if (grid.personal.length === 0) return null;
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
                onClick={() =>
                  open({
                    folder,
                    subject: {
                      name: grant.name,
                      path: `grants/${grant.folder}/people/${grant.person}`,
                      otherwise: words.house.asGroups,
                    },
                    own: grant.verbs,
                  })
                }
              >
                {words.house.grantTitle(grant.name, folder.name)}
              </button>
              <span className="text-quiet">: {saidOf(grant.verbs)}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
