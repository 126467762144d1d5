import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { useNotice } from "../kit/Notices";
import { useMe } from "../kit/useSession";
import { words } from "../words";

/** Who gets it, and who does not and why; owners remove anybody, everybody else may leave and come back. */
export function Recipients({ view }: { view: Api["SubscriptionView"] }) {
  const me = useMe();
  const say = useNotice();
  const { line } = view;
  const path = `subscriptions/${line.id}`;
  const putOn = useChange((person: number) => call(`${path}/recipients/${person}`, { method: "PUT" }));
  const takeOff = useChange((person: number) => call(`${path}/recipients/${person}`, { method: "DELETE" }));
  const off = (person: Api["RecipientView"]) =>
    takeOff.mutate(person.id, {
      onSuccess: () =>
        say({
          text:
            person.id === me.id
              ? words.recipients.left(line.name)
              : words.recipients.taken(person.name, line.name),
          undo: () => on(person),
        }),
    });
  const on = (person: Api["RecipientView"]) =>
    putOn.mutate(person.id, {
      onSuccess: () =>
        say({
          text:
            person.id === me.id
              ? words.recipients.back(line.name)
              : words.recipients.putBack(person.name, line.name),
        }),
    });
  return (
    <section aria-label={words.recipients.title}>
      <h2>{words.recipients.title}</h2>
      <Fault error={takeOff.error ?? putOn.error} />
      <ul className="pt-2">
        {view.recipients.map((person) => (
          <li key={person.id} className="border-base-300 flex items-baseline gap-4 border-t py-1.5">
            <span>{person.name}</span>
            {(person.inclusion !== "INCLUDED" || line.state === "ACTIVE") && (
              <span className={`text-xs ${person.inclusion === "INCLUDED" ? "text-quiet" : "text-late"}`}>
                {person.because}
              </span>
            )}
            {line.state !== "ENDED" && (line.mayChange || person.id === me.id) && (
              <Acts
                person={person}
                own={person.id === me.id && !line.mayChange}
                busy={takeOff.isPending || putOn.isPending}
                off={() => off(person)}
                on={() => on(person)}
              />
            )}
          </li>
        ))}
        {view.others > 0 && (
          <li className="text-quiet border-base-300 border-t py-1.5">
            {words.recipients.others(view.others)}
          </li>
        )}
        {view.recipients.length + view.others === 0 && <li className="text-late">{words.audience.nobody}</li>}
      </ul>
    </section>
  );
}

interface ActsProps {
  person: Api["RecipientView"];
  /** Whether the reader is that person, and not the one who keeps the list. */
  own: boolean;
  busy: boolean;
  off: () => void;
  on: () => void;
}

function Acts({ person, own, busy, off, on }: ActsProps) {
  const hasLeft = person.inclusion === "LEFT";
  return (
    <span className="ml-auto flex gap-4 text-sm">
      {hasLeft && (
        <button
          type="button"
          className="choose"
          aria-label={own ? undefined : words.recipients.putBackNamed(person.name)}
          disabled={busy}
          onClick={on}
        >
          {own ? words.recipients.getAgain : words.recipients.putBackShort}
        </button>
      )}
      {!(own && hasLeft) && (
        <button
          type="button"
          className="choose"
          aria-label={own ? undefined : words.audience.takeOff(person.name)}
          disabled={busy}
          onClick={off}
        >
          {own ? words.recipients.leave : words.audience.off}
        </button>
      )}
    </span>
  );
}
