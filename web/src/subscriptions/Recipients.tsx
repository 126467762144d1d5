import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { useNotice } from "../kit/Notices";
import { useMe } from "../kit/useSession";
import { words } from "../words";

/** Who gets it, and who does not and why; owners take anybody off, everybody takes himself off. */
export function Recipients({ view }: { view: Api["SubscriptionView"] }) {
  const me = useMe();
  const say = useNotice();
  const { line } = view;
  const path = `subscriptions/${line.id}`;
  const putBack = useChange(async (recipients: number[]) => {
    const now = await call<Api["SubscriptionView"]>(path);
    const terms = { ...now.terms, recipients };
    await call(path, { method: "PUT", body: terms, headers: { "If-Match": String(now.version) } });
  });
  const takeOff = useChange((person: number) => call(`${path}/recipients/${person}`, { method: "DELETE" }));
  const off = (person: Api["RecipientView"]) => {
    const { recipients } = view.terms;
    takeOff.mutate(person.id, {
      onSuccess: () =>
        say({
          text: words.recipients.taken(person.name, line.name),
          undo: line.mayChange ? () => putBack.mutate(recipients) : undefined,
        }),
    });
  };
  return (
    <section aria-label={words.recipients.title}>
      <h2>{words.recipients.title}</h2>
      <Fault error={takeOff.error ?? putBack.error} />
      <ul className="pt-2">
        {view.recipients.map((person) => (
          <li key={person.id} className="border-base-300 flex items-baseline gap-4 border-t py-1.5">
            <span>{person.name}</span>
            <span className={`text-xs ${person.inclusion === "INCLUDED" ? "text-quiet" : "text-late"}`}>
              {person.because}
            </span>
            {line.state !== "ENDED" &&
              (line.mayChange || (person.id === me.id && person.inclusion !== "LEFT")) && (
                <button
                  type="button"
                  className="choose ml-auto text-sm"
                  aria-label={words.audience.takeOff(person.name)}
                  disabled={takeOff.isPending}
                  onClick={() => off(person)}
                >
                  {person.id === me.id && !line.mayChange ? words.recipients.leave : words.audience.off}
                </button>
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
