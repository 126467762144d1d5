import { useState } from "react";
import type { Api } from "../api/client";
import { Loaded } from "../kit/Loaded";
import { useMe } from "../kit/useSession";
import { words } from "../words";
import { useCandidates } from "./useCandidates";

interface Props {
  reports: number[];
  recipients: number[];
  change: (recipients: number[]) => void;
}

const MOST_OFFERED = 8;

/** To whom: those on the list, and by name those who can be put on it. */
export function AudienceEditor({ reports, recipients, change }: Props) {
  const candidates = useCandidates(reports);
  if (reports.length === 0) return <p className="text-late">{words.audience.whatFirst}</p>;
  return (
    <Loaded query={candidates}>
      {(people) => (
        <div className="grid gap-x-8 gap-y-4 text-sm md:grid-cols-2">
          <OnTheList people={people} recipients={recipients} change={change} />
          <Others people={people} recipients={recipients} change={change} />
        </div>
      )}
    </Loaded>
  );
}

interface ListProps extends Omit<Props, "reports"> {
  people: Api["Candidate"][];
}

function useName() {
  const me = useMe();
  return (person: Api["Candidate"]) =>
    person.id === me.id ? words.audience.myself(person.name) : person.name;
}

function OnTheList({ people, recipients, change }: ListProps) {
  const nameOf = useName();
  return (
    <ul aria-label={words.audience.onList}>
      {recipients.map((id) => {
        const person = people.find((each) => each.id === id);
        const name = person ? nameOf(person) : words.audience.somebody;
        return (
          <li key={id} className="border-base-300 flex justify-between gap-4 border-b py-1">
            <span>{name}</span>
            <button
              type="button"
              className="choose"
              aria-label={words.audience.takeOff(name)}
              onClick={() => change(recipients.filter((each) => each !== id))}
            >
              {words.audience.off}
            </button>
          </li>
        );
      })}
      {recipients.length === 0 && <li className="text-late">{words.audience.nobody}</li>}
    </ul>
  );
}

function Others({ people, recipients, change }: ListProps) {
  const [sought, setSought] = useState("");
  const nameOf = useName();
  const matching = people.filter(
    (person) =>
      !recipients.includes(person.id) &&
      `${person.name} ${person.address}`.toLowerCase().includes(sought.toLowerCase()),
  );
  return (
    <div>
      <input
        type="search"
        className="fill"
        aria-label={words.audience.search}
        placeholder={words.audience.search}
        value={sought}
        onChange={(event) => setSought(event.target.value)}
      />
      <ul aria-label={words.audience.others} className="pt-1">
        {matching.slice(0, MOST_OFFERED).map((person) => (
          <li key={person.id} className="flex justify-between gap-4 py-1">
            <span>
              {nameOf(person)}
              {!person.maySee && <span className="text-late"> · {words.audience.mayNotSee}</span>}
            </span>
            <button
              type="button"
              className="choose"
              aria-label={words.audience.add(person.name)}
              onClick={() => change([...recipients, person.id])}
            >
              {words.audience.on}
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
