import { useState } from "react";
import { Link } from "react-router";
import { call } from "../api/client";
import { useChange } from "../api/use";
import { publishable, useFolders } from "../data/useFolders";
import { Fault } from "../kit/Fault";
import { Loaded } from "../kit/Loaded";
import { useNamed, type Named } from "../kit/named";
import { useNotice } from "../kit/Notices";
import { Title } from "../kit/Title";
import { words } from "../words";
import { NamedEditor } from "./NamedEditor";

/** Named values: what each comes to now, where it is used, and how it is defined. */
export function NamedPage() {
  const named = useNamed();
  const [open, setOpen] = useState<number | null>(null);
  const folders = publishable(useFolders().data?.folders ?? []);
  return (
    <>
      <Title
        above={
          <Link className="choose" to="/library">
            {words.section.library}
          </Link>
        }
        title={words.named.title}
        line={words.named.line}
        actions={
          folders.length > 0 && (
            <button type="button" className="act" onClick={() => setOpen(0)}>
              {words.named.add}
            </button>
          )
        }
      />
      {open === 0 && <NamedEditor folders={folders} close={() => setOpen(null)} />}
      <Loaded query={named}>
        {(all) =>
          all.length === 0 ? (
            <p className="border-base-300 border-y py-6">{words.named.empty}</p>
          ) : (
            <ul className="border-base-content border-t">
              {all.map((each) => (
                <li key={each.id} className="border-base-300 border-b py-4">
                  <Entry named={each} isOpen={open === each.id} change={() => setOpen(each.id)} />
                  {open === each.id && (
                    <NamedEditor folders={folders} kept={each} close={() => setOpen(null)} />
                  )}
                </li>
              ))}
            </ul>
          )
        }
      </Loaded>
    </>
  );
}

interface EntryProps {
  named: Named;
  isOpen: boolean;
  change: () => void;
}

function Entry({ named, isOpen, change }: EntryProps) {
  const say = useNotice();
  const remove = useChange(() => call<null>(`named-values/${named.id}`, { method: "DELETE" }));
  const { name } = named.named;
  return (
    <>
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 className="text-xl">
          {name} <span className="text-quiet font-sans text-xs font-normal">{named.folderName}</span>
        </h2>
        {named.mayChange && !isOpen && (
          <p className="flex gap-x-5 text-sm">
            <button
              type="button"
              className="choose"
              aria-label={words.named.changeOne(name)}
              onClick={change}
            >
              {words.named.change}
            </button>
            {named.uses ? (
              <span className="text-quiet">{words.named.inUse}</span>
            ) : (
              <button
                type="button"
                className="choose"
                aria-label={words.named.removeOne(name)}
                onClick={() =>
                  remove.mutate(undefined, { onSuccess: () => say({ text: words.named.removed(name) }) })
                }
              >
                {words.named.remove}
              </button>
            )}
          </p>
        )}
      </div>
      {named.outcome ? (
        <p>{words.named.comesTo(named.outcome)}</p>
      ) : (
        <p className="text-error">{named.wrong}</p>
      )}
      <p className="text-quiet text-sm">
        {words.named.how(named.named)}
        {named.uses && <> · {words.named.usedBy(named.uses)}</>}
      </p>
      <Fault error={remove.error} />
    </>
  );
}
