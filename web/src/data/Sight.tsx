import { useState } from "react";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Pick } from "../kit/Pick";
import { words } from "../words";

type View = Api["DataSetView"];

/** Looks up which rows one person sees. */
export function Sight({ view }: { view: View }) {
  const people = useRead<Api["NamedPerson"][]>(`data-sets/${view.line.id}/people`);
  const [person, setPerson] = useState("");
  const sight = useRead<Api["Sight"]>(`data-sets/${view.line.id}/sights/${person}`, { when: person !== "" });
  return (
    <section aria-label={words.data.sight}>
      <h2 className="border-base-content border-b pb-2 text-lg">{words.data.sight}</h2>
      <div className="pt-3">
        <Pick
          label={words.data.person}
          none={words.data.nobody}
          all={people.data ?? []}
          value={person}
          pick={setPerson}
        />
      </div>
      <Fault error={sight.error} />
      {person !== "" && sight.data && (
        <div aria-live="polite" className="pt-2">
          <p className={sight.data.rows === 0 ? "text-late" : ""}>
            {words.data.sees(sight.data.rows, sight.data.of)}
          </p>
          <ul className="text-quiet text-sm">
            {sight.data.given.map((given) => (
              <li key={given.column}>{words.data.given(given.column, given.all, given.values)}</li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}
