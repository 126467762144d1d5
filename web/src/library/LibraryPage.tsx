import { useState } from "react";
import { Link, useLocation, useParams, useSearchParams } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { Title } from "../kit/Title";
import { useIsAdministrator } from "../kit/useSession";
import { words } from "../words";
import { Entry } from "./Entry";
import { KnownReports } from "./KnownReports";
import { RemovedReports } from "./RemovedReports";

type View = Api["LibraryView"];
type Folder = Api["FolderView"];

type Order = "FOLDER" | "OPENED" | "FRESH" | "FAVOURITES";
const ORDERS: Order[] = ["FOLDER", "OPENED", "FRESH", "FAVOURITES"];
const AT_ONCE = 60;

/** Everything there is to read: the folders as a table of contents, their entries beside it. */
export function LibraryPage() {
  const isAdministrator = useIsAdministrator();
  const folder = useParams().folder;
  const [search, setSearch] = useSearchParams();
  const [most, setMost] = useState(AT_ONCE);
  const sought = search.get("words") ?? "";
  const location = useLocation();
  // what is typed stays in the field while the address follows it; an address that is opened takes its place
  const since = (location.state as { since?: string } | null)?.since ?? location.key;
  const order = ORDERS.find((each) => each === search.get("order")) ?? "FOLDER";
  const asked = new URLSearchParams({ words: sought, order, most: String(most) });
  if (folder) asked.set("folder", folder);
  const library = useRead<View>(`library?${asked}`);
  const set = (name: string, value: string, replace = false) => {
    const next = new URLSearchParams(search);
    if (value) next.set(name, value);
    else next.delete(name);
    setMost(AT_ONCE);
    setSearch(next, { replace, state: { since } });
  };
  return (
    <Loaded query={library}>
      {(view) => (
        <>
          <Title
            title={words.section.library}
            line={words.library.line(view.count, sought)}
            actions={
              <>
                <Link className="choose" to="/clippings">
                  {words.clippings.title}
                </Link>
                {view.publishes && (
                  <Link className="choose" to="/data">
                    {words.data.title}
                  </Link>
                )}
                {(isAdministrator || view.folders.some((each) => each.mayPublish)) && (
                  <Link className="choose" to="/reports/new">
                    {words.editor.anew}
                  </Link>
                )}
              </>
            }
          />
          <div className="grid gap-12 pt-3 md:grid-cols-[270px_1fr]">
            <nav aria-label={words.library.folders}>
              <input
                type="search"
                className="fill mb-3"
                aria-label={words.library.search}
                placeholder={words.library.search}
                defaultValue={sought}
                key={since}
                onChange={(event) => set("words", event.target.value.trim(), true)}
              />
              <Contents folders={view.folders} parent={null} current={Number(folder ?? 0)} depth={0} />
            </nav>
            <div className="min-w-0">
              <p
                className="flex flex-wrap gap-x-6 gap-y-1 pb-3 text-sm"
                role="group"
                aria-label={words.library.order}
              >
                {ORDERS.map((each) => (
                  <button
                    key={each}
                    type="button"
                    aria-pressed={each === order}
                    className={each === order ? "current" : "choose"}
                    onClick={() => set("order", each === "FOLDER" ? "" : each)}
                  >
                    {words.library.orders[each]}
                  </button>
                ))}
              </p>
              <Entries view={view} byFolder={order === "FOLDER" && !sought} />
              {view.entries.length < view.count && (
                <button type="button" className="choose" onClick={() => setMost(most + AT_ONCE)}>
                  {words.library.more(view.count - view.entries.length)}
                </button>
              )}
              <KnownReports known={view.known} folders={view.folders} />
              {view.publishes && !sought && <RemovedReports />}
              {view.count === 0 && view.known.length === 0 && (
                <p className="border-base-300 border-y py-6">
                  {sought ? words.library.nothingFound[order](sought) : words.library.none[order]}{" "}
                  {sought && (
                    <Link className="choose" to="/library">
                      {words.library.all}
                    </Link>
                  )}
                </p>
              )}
            </div>
          </div>
        </>
      )}
    </Loaded>
  );
}

/** Under their folders, or as they are sorted. */
function Entries({ view, byFolder }: { view: View; byFolder: boolean }) {
  const name = (id: number) => view.folders.find((folder) => folder.id === id)?.name;
  if (!byFolder) {
    return view.entries.map((entry) => <Entry key={entry.id} entry={entry} folder={name(entry.folder)} />);
  }
  const shown = [...new Set(view.entries.map((entry) => entry.folder))];
  return shown.map((folder) => (
    <section key={folder} aria-label={name(folder)} className="pb-8">
      <h2 className="border-base-content border-b pb-2">{name(folder)}</h2>
      {view.entries
        .filter((entry) => entry.folder === folder)
        .map((entry) => (
          <Entry key={entry.id} entry={entry} />
        ))}
    </section>
  ));
}

interface ContentsProps {
  folders: Folder[];
  parent: number | null;
  current: number;
  depth: number;
}

function Contents({ folders, parent, current, depth }: ContentsProps) {
  const here = folders.filter((folder) => folder.parent === parent);
  if (here.length === 0) return null;
  return (
    <ul className={depth > 0 ? "pl-5" : ""}>
      {here.map((folder) => (
        <li key={folder.id}>
          <Link
            to={folder.id === current ? "/library" : `/library/${folder.id}`}
            aria-current={folder.id === current ? "page" : undefined}
            className={`flex items-baseline gap-1.5 py-1 ${depth === 0 ? "font-serif text-lg font-semibold" : ""} ${
              folder.id === current ? "text-primary" : ""
            }`}
          >
            {folder.name}
            <span aria-hidden className="border-quiet grow border-b border-dotted" />
            <span className="text-quiet font-sans text-xs font-normal">{folder.entries}</span>
          </Link>
          <Contents folders={folders} parent={folder.id} current={current} depth={depth + 1} />
        </li>
      ))}
    </ul>
  );
}
