import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { FindPerson } from "../kit/FindPerson";
import { Loaded } from "../kit/Loaded";
import { useMe } from "../kit/useSession";
import { words } from "../words";
import { useCandidates } from "./useCandidates";

interface Props {
  reports: number[];
  recipients: number[];
  /** Those of them who have left, and are sent nothing. */
  departed: number[];
  /** The subscription that is being changed. */
  own: number | null;
  change: (recipients: number[]) => void;
}

/** To whom: those on the list, and by name those who can be put on it. */
export function AudienceEditor({ reports, recipients, departed, own, change }: Props) {
  const candidates = useCandidates(reports);
  if (reports.length === 0) return <p className="text-late">{words.audience.whatFirst}</p>;
  return (
    <Loaded query={candidates}>
      {(people) => (
        <div className="grid gap-x-8 gap-y-4 text-sm md:grid-cols-2">
          <OnTheList people={people} recipients={recipients} departed={departed} own={own} change={change} />
          <Others people={people} recipients={recipients} change={change} />
        </div>
      )}
    </Loaded>
  );
}

interface ListProps extends Pick<Props, "recipients" | "change"> {
  people: Api["Candidate"][];
}

function useName() {
  const me = useMe();
  return (person: Api["Candidate"]) =>
    person.id === me.id ? words.audience.myself(person.name) : person.name;
}

function OnTheList({
  people,
  recipients,
  departed,
  own,
  change,
}: ListProps & Pick<Props, "departed" | "own">) {
  const nameOf = useName();
  const putBack = useChange((person: number) =>
    call(`subscriptions/${own}/recipients/${person}`, { method: "PUT" }),
  );
  return (
    <ul aria-label={words.audience.onList}>
      {putBack.error && (
        <li>
          <Fault error={putBack.error} />
        </li>
      )}
      {recipients.map((id) => {
        const person = people.find((each) => each.id === id);
        const name = person ? nameOf(person) : words.audience.somebody;
        return (
          <li key={id} className="border-base-300 flex justify-between gap-4 border-b py-1">
            <span className="mr-auto">
              {name}
              {departed.includes(id) && <span className="text-late"> · {words.audience.hasLeft}</span>}
            </span>
            {departed.includes(id) && (
              <button
                type="button"
                className="choose"
                aria-label={words.recipients.putBackNamed(name)}
                disabled={putBack.isPending}
                onClick={() => putBack.mutate(id)}
              >
                {words.recipients.putBackShort}
              </button>
            )}
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
  const nameOf = useName();
  return (
    <FindPerson
      people={people.filter((person) => !recipients.includes(person.id))}
      label={words.audience.others}
      choice={words.audience.on}
      choiceOf={(person) => words.audience.add(person.name)}
      nameOf={nameOf}
      note={(person) => !person.maySee && <span className="text-late"> · {words.audience.mayNotSee}</span>}
      choose={(person) => change([...recipients, person.id])}
    />
  );
}
