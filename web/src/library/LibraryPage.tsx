import { Link, useParams, useSearchParams } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { Title } from "../kit/Title";
import { words } from "../words";
import { Entry } from "./Entry";

type View = Api["LibraryView"];
type Folder = Api["FolderView"];

/** Everything there is to read: the folders as a table of contents, their entries beside it. */
export function LibraryPage() {
  const folder = Number(useParams().folder ?? 0);
  const [search, setSearch] = useSearchParams();
  const sought = search.get("words") ?? "";
  const library = useRead<View>(`library?words=${encodeURIComponent(sought)}`);
  return (
    <Loaded query={library}>
      {(view) => (
        <>
          <Title
            title={words.section.library}
            line={words.library.line(view.entries.length, sought)}
            actions={
              view.publishes && (
                <>
                  <Link className="choose" to="/data">
                    {words.data.title}
                  </Link>
                  <Link className="choose" to="/reports/new">
                    {words.editor.anew}
                  </Link>
                </>
              )
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
                key={sought}
                onKeyDown={(event) => {
                  if (event.key === "Enter") setSearch({ words: event.currentTarget.value });
                }}
              />
              <Contents folders={view.folders} parent={null} current={folder} depth={0} />
            </nav>
            <div>
              {shown(view, folder).map((each) => (
                <Entries key={each.id} folder={each} entries={view.entries} />
              ))}
              {view.entries.length === 0 && (
                <p className="border-base-300 border-y py-6">
                  {sought ? words.library.nothingFound(sought) : words.library.empty}{" "}
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

/** The folders whose entries are listed: the chosen one with those in it, or all. */
function shown(view: View, folder: number): Folder[] {
  const within = (id: number | null): boolean =>
    id !== null && (id === folder || within(view.folders.find((each) => each.id === id)?.parent ?? null));
  return view.folders.filter(
    (each) => (folder === 0 || within(each.id)) && view.entries.some((entry) => entry.folder === each.id),
  );
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

function Entries({ folder, entries }: { folder: Folder; entries: View["entries"] }) {
  return (
    <section aria-label={folder.name} className="pb-8">
      <h2 className="border-base-content border-b pb-2">{folder.name}</h2>
      {entries
        .filter((entry) => entry.folder === folder.id)
        .map((entry) => (
          <Entry key={entry.id} entry={entry} />
        ))}
    </section>
  );
}
