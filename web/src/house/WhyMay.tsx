import { useState } from "react";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { Pick } from "../kit/Pick";
import { words } from "../words";

/** "Why may Ida see this?": chosen by person and folder, answered with the chain of groups and grants. */
export function WhyMay({ folders }: { folders: Api["FolderRow"][] }) {
  const people = useRead<Api["PersonView"][]>("people");
  const [person, setPerson] = useState("");
  const [folder, setFolder] = useState("");
  const why = useRead<Api["Why"]>(`folders/${folder}/people/${person}/why`, {
    when: person !== "" && folder !== "",
  });
  return (
    <section aria-labelledby="why" className="border-base-content mt-8 border-t pt-4">
      <h2 id="why">{words.why.title}</h2>
      <p className="text-quiet">{words.why.line}</p>
      <div className="flex flex-wrap items-end gap-4 py-3">
        <Pick
          label={words.why.person}
          none={words.why.choose}
          all={people.data ?? []}
          value={person}
          pick={setPerson}
        />
        <Pick
          label={words.why.folder}
          none={words.why.choose}
          all={folders}
          value={folder}
          pick={setFolder}
        />
      </div>
      {person !== "" && folder !== "" && (
        <div aria-live="polite">
          <Loaded query={why}>
            {({ sentence, chain }) => (
              <>
                <p className="font-serif text-lg">{sentence}</p>
                <ol className="mt-1 list-decimal pl-5">
                  {chain.map((link) => (
                    <li key={link}>{link}</li>
                  ))}
                </ol>
              </>
            )}
          </Loaded>
        </div>
      )}
    </section>
  );
}
