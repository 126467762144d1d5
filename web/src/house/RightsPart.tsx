import { useState } from "react";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { readsHouse, useIsAdministrator, useMe } from "../kit/useSession";
import { words } from "../words";
import { FolderSheet } from "./FolderSheet";
import { GrantSheet, type Subject } from "./GrantSheet";
import { Minded } from "./Minded";
import { NewFolder } from "./NewFolder";
import { PersonalGrants } from "./PersonalGrants";
import { WhyMay } from "./WhyMay";
import { reach, saidOf, type Verb, VERBS } from "./verbs";

type Grid = Api["Grid"];
type Folder = Api["FolderRow"];
type Group = Api["GroupColumn"];

interface Open {
  folder: Folder;
  subject: Subject;
  own: Verb[] | null;
}

/** Folders by groups: what each may do, by words. */
export function RightsPart() {
  const grid = useRead<Grid>("grants");
  const house = readsHouse(useMe());
  const isAdministrator = useIsAdministrator();
  const [open, setOpen] = useState<Open | null>(null);
  const [changed, setChanged] = useState<Folder | null>(null);
  return (
    <Loaded query={grid}>
      {(view) => (
        <>
          <div className="overflow-x-auto">
            <table className="stacks" aria-label={words.house.names.rights}>
              <thead>
                <tr>
                  <th scope="col" className="head py-2 text-left">
                    {words.house.folder}
                  </th>
                  {view.groups.map((group) => (
                    <th key={group.id} scope="col" className="head px-3 py-2 text-left">
                      {group.name}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {inOrder(view.folders).map(({ folder, depth }) => (
                  <tr key={folder.id} className="border-base-300 border-t">
                    <th
                      scope="row"
                      className={`py-2 text-left ${depth === 0 ? "font-serif text-lg" : "font-normal"}`}
                      style={{ paddingLeft: depth * 20 }}
                    >
                      {folder.name}
                      {isAdministrator && (
                        <button
                          type="button"
                          className="choose ml-3 font-sans text-xs font-normal"
                          aria-label={words.house.changeFolder(folder.name)}
                          onClick={() => setChanged(folder)}
                        >
                          {words.house.changeShort}
                        </button>
                      )}
                    </th>
                    {view.groups.map((group) => (
                      <td key={group.id} className="p-0">
                        <GrantButton
                          cell={cellOf(view, folder, group)}
                          folder={folder}
                          group={group}
                          open={() => setOpen(ofGroup(view, folder, group))}
                        />
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <PersonalGrants grid={view} open={setOpen} />
          {house && (
            <Minded>
              <NewFolder folders={view.folders} />
            </Minded>
          )}
          <WhyMay folders={view.folders} />
          {changed && (
            <FolderSheet
              key={changed.id}
              folder={changed}
              folders={view.folders}
              close={() => setChanged(null)}
            />
          )}
          {open && <GrantSheet key={open.subject.path} {...open} close={() => setOpen(null)} />}
        </>
      )}
    </Loaded>
  );
}

interface Placed {
  folder: Folder;
  depth: number;
}

/** Each under the one that it lies in; one whose folder is not shown stands at the top. */
function inOrder(folders: Folder[]): Placed[] {
  const placed = (folder: Folder, depth: number): Placed[] => [
    { folder, depth },
    ...folders.filter(({ parent }) => parent === folder.id).flatMap((each) => placed(each, depth + 1)),
  ];
  return folders
    .filter(({ parent }) => !folders.some(({ id }) => id === parent))
    .flatMap((top) => placed(top, 0));
}

function ofGroup(grid: Grid, folder: Folder, group: Group): Open {
  const cell = cellOf(grid, folder, group);
  const top = folder.parent === null;
  return {
    folder,
    subject: {
      name: group.name,
      path: `grants/${folder.id}/${group.id}`,
      otherwise: top ? null : words.house.asAbove,
    },
    own: cell?.own || top ? (cell?.verbs ?? []) : null,
  };
}

const cellOf = (grid: Grid, folder: Folder, group: Group) =>
  grid.cells.find((cell) => cell.folder === folder.id && cell.group === group.id);

interface ButtonProps {
  cell?: Api["GrantCell"];
  folder: Folder;
  group: Group;
  open: () => void;
}

function GrantButton({ cell, folder, group, open }: ButtonProps) {
  const verbs = cell?.verbs ?? [];
  const inherited = !cell?.own && folder.parent !== null;
  const text = inherited ? words.house.asAbove : saidOf(verbs);
  return (
    <button
      type="button"
      disabled={!folder.mayChange}
      aria-label={words.house.cell(group.name, folder.name, saidOf(verbs))}
      className="hover:bg-base-200 flex w-full cursor-pointer items-center gap-2 px-3 py-2 text-left text-sm"
      onClick={open}
    >
      <span aria-hidden className="text-quiet w-28 md:hidden">
        {group.name}
      </span>
      {!inherited && verbs.length > 0 && <Steps reached={reach(verbs)} />}
      <span className={inherited || verbs.length === 0 ? "text-quiet" : ""}>{text}</span>
    </button>
  );
}

/** How far the rights reach, as a stair. */
function Steps({ reached }: { reached: number }) {
  return (
    <span aria-hidden className="flex items-end gap-0.5">
      {VERBS.map((verb, i) => (
        <span
          key={verb}
          className={`w-[5px] ${i < reached ? "bg-primary" : "bg-base-300"}`}
          style={{ height: 6 + i * 4 }}
        />
      ))}
    </span>
  );
}
