import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Choices } from "../kit/Choices";
import { Fault } from "../kit/Fault";
import { useNotice } from "../kit/Notices";
import { Sheet } from "../kit/Sheet";
import { words } from "../words";
import { Effect } from "./Effect";
import { strongest, type Verb, VERBS } from "./verbs";

interface Props {
  folder: Api["FolderRow"];
  group: Api["GroupColumn"];
  cell?: Api["GrantCell"];
  close: () => void;
}

type Choice = Verb | "NOTHING" | "AS_ABOVE";

const verbsOf = (choice: Choice): Verb[] | null => {
  if (choice === "AS_ABOVE") return null;
  if (choice === "NOTHING") return [];
  return VERBS.slice(0, VERBS.indexOf(choice) + 1);
};

/** What a group may do in a folder; it takes effect at once, everywhere. */
export function GrantSheet({ folder, group, cell, close }: Props) {
  const before: Choice =
    !cell?.own && folder.parent !== null ? "AS_ABOVE" : (strongest(cell?.verbs ?? []) ?? "NOTHING");
  const [choice, setChoice] = useState<Choice>(before);
  const say = useNotice();
  const path = `grants/${folder.id}/${group.id}`;
  const put = (chosen: Choice) => call(path, { method: "PUT", body: { verbs: verbsOf(chosen) } });
  const change = useChange(put);
  const choices: Choice[] = [...(folder.parent === null ? [] : ["AS_ABOVE" as const]), "NOTHING", ...VERBS];
  const textOf = (each: Choice) =>
    each === "AS_ABOVE" ? words.house.asAbove : each === "NOTHING" ? words.house.nothing : words.verb[each];
  return (
    <Sheet label={words.house.grantTitle(group.name, folder.name)} close={close}>
      <div>
        <h2>{words.house.grantTitle(group.name, folder.name)}</h2>
        <p className="pt-2">
          <Choices
            label={words.house.mayDo}
            choices={choices.map((value) => ({ value, text: textOf(value) }))}
            current={choice}
            choose={setChoice}
          />
        </p>
        <Fault error={change.error} />
      </div>
      <div className="text-sm">
        <p className="font-semibold">{words.house.effectTitle}</p>
        {choice !== before && <Effect path={path} verbs={verbsOf(choice)} />}
        <p>{words.house.effect}</p>
        <p className="text-quiet">{words.house.stays}</p>
      </div>
      <div className="flex items-end gap-4">
        <button
          type="button"
          className="act"
          disabled={choice === before || change.isPending}
          onClick={() =>
            change.mutate(choice, {
              onSuccess: () => {
                close();
                say({
                  text: words.house.granted(group.name, folder.name, textOf(choice)),
                  undo: () => change.mutate(before),
                });
              },
            })
          }
        >
          {words.house.change}
        </button>
        <button type="button" className="choose" onClick={close}>
          {words.leaveIt}
        </button>
      </div>
    </Sheet>
  );
}
