import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { words } from "../words";
import { Fault } from "./Fault";
import { useNotice } from "./Notices";
import { useSetAside } from "./useSetAside";
import { useWhen } from "./when";

type Item = Api["SetAsideView"];

/** What is set aside of the thing that a page is about; nothing where nothing is. */
export function SetAside({ of }: { of: (item: Item) => boolean }) {
  const items = useSetAside().data?.filter(of) ?? [];
  return items.length > 0 && <SetAsideList items={items} />;
}

/** Each with its reason, and with another try for those who may ask for one. */
export function SetAsideList({ items }: { items: Item[] }) {
  return (
    <ul aria-label={words.setAside.title}>
      {items.map((item) => (
        <Row key={`${item.kind} ${item.unit}`} item={item} />
      ))}
    </ul>
  );
}

function Row({ item }: { item: Item }) {
  const { moment } = useWhen();
  const say = useNotice();
  const again = useChange(() =>
    call<null>(`set-aside/${item.kind}/${item.unit}/try-again`, { method: "POST" }),
  );
  return (
    <li className="border-error my-3 border-l-2 py-1 pl-3">
      <p className="font-serif text-lg">{item.what}</p>
      <p>
        {item.reason}{" "}
        <span className="text-quiet">{words.setAside.failed(item.failures, moment(item.failedAt))}</span>
      </p>
      {item.mayTryAgain && (
        <button
          type="button"
          className="choose"
          aria-label={words.setAside.tryAgainOf(item.what)}
          disabled={again.isPending}
          onClick={() => again.mutate(undefined, { onSuccess: () => say({ text: words.setAside.trying }) })}
        >
          {words.setAside.tryAgain}
        </button>
      )}
      <Fault error={again.error} />
    </li>
  );
}
