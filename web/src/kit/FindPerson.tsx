import { useRef, useState, type ReactNode } from "react";
import { words } from "../words";

interface Person {
  id: number;
  name: string;
  address: string;
}

interface Props<P extends Person> {
  /** Those that can be found. */
  people: P[];
  /** What the list of them is called. */
  label: string;
  /** What choosing one is called, and what it is called for those who hear it alone. */
  choice: string;
  choiceOf: (person: P) => string;
  nameOf?: (person: P) => string;
  /** What stands behind a name. */
  note?: (person: P) => ReactNode;
  choose: (person: P) => void;
}

const MOST_OFFERED = 8;

/** People by a part of their name or address, each with a word that chooses them. */
export function FindPerson<P extends Person>(props: Props<P>) {
  const [sought, setSought] = useState("");
  const field = useRef<HTMLInputElement>(null);
  const matching = props.people.filter((person) =>
    `${person.name} ${person.address}`.toLowerCase().includes(sought.toLowerCase()),
  );
  return (
    <div>
      <input
        ref={field}
        type="search"
        className="fill"
        aria-label={words.audience.search}
        placeholder={words.audience.search}
        value={sought}
        onChange={(event) => setSought(event.target.value)}
      />
      <ul aria-label={props.label} className="pt-1">
        {matching.slice(0, MOST_OFFERED).map((person) => (
          <li key={person.id} className="flex justify-between gap-4 py-1">
            <span>
              {props.nameOf?.(person) ?? person.name}
              {props.note?.(person)}
            </span>
            <button
              type="button"
              className="choose"
              aria-label={props.choiceOf(person)}
              onClick={() => {
                props.choose(person);
                // the line goes with the person, and would take the focus along
                field.current?.focus();
              }}
            >
              {props.choice}
            </button>
          </li>
        ))}
        {matching.length === 0 && <li className="text-quiet">{words.audience.noMatch}</li>}
        {matching.length > MOST_OFFERED && (
          <li className="text-quiet">{words.audience.more(matching.length - MOST_OFFERED)}</li>
        )}
      </ul>
    </div>
  );
}
