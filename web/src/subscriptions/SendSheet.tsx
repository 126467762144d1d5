import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { Sheet } from "../kit/Sheet";
import { SheetEnd } from "../kit/SheetEnd";
import { words } from "../words";

interface Props {
  line: Api["SubscriptionLine"];
  send: () => void;
  close: () => void;
}

/** What sending now would do, said before it is done. */
export function SendSheet({ line, send, close }: Props) {
  const outlook = useRead<Api["Outlook"]>(`subscriptions/${line.id}/outlook`);
  return (
    <Sheet label={words.send.title(line.name)} close={close}>
      <div>
        <h2>{words.send.title(line.name)}</h2>
      </div>
      <Loaded query={outlook}>
        {(would) => (
          <>
            <div>
              <p className="font-semibold">{words.send.what}</p>
              <p>{words.send.issue(would.number, would.days)}</p>
              <p>{words.send.to(would.recipients)}</p>
              {would.loadFirst && <p>{words.send.loadFirst}</p>}
              {would.leftOut.map((person) => (
                <p key={person.name} className="text-late">
                  {person.name}: {person.because}
                </p>
              ))}
              <p className="text-quiet">
                {would.regular ? words.send.regular(would.regular) : words.send.noRegular}
              </p>
            </div>
            <SheetEnd close={close}>
              <button
                type="button"
                className="act"
                disabled={would.recipients === 0}
                onClick={() => {
                  close();
                  send();
                }}
              >
                {words.send.action(would.recipients)}
              </button>
            </SheetEnd>
          </>
        )}
      </Loaded>
    </Sheet>
  );
}
