import { Loaded } from "../kit/Loaded";
import { SetAsideList } from "../kit/SetAside";
import { useSetAside } from "../kit/useSetAside";
import { words } from "../words";

/** Work that failed again and again and is not tried any more by itself. */
export function SetAsidePart() {
  return (
    <Loaded query={useSetAside()}>
      {(items) =>
        items.length === 0 ? <p className="py-6">{words.setAside.none}</p> : <SetAsideList items={items} />
      }
    </Loaded>
  );
}
