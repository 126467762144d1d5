import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Choices } from "../kit/Choices";
import { Fault } from "../kit/Fault";
import { Tick } from "../kit/Field";
import { useNotice } from "../kit/Notices";
import { Sheet } from "../kit/Sheet";
import { SheetEnd } from "../kit/SheetEnd";
import { useIsAdministrator } from "../kit/useSession";
import { words } from "../words";
import { Effect } from "./Effect";
import { BESIDE, type Beside, besideOf, type Reach, saidOf, strongest, type Verb, VERBS } from "./verbs";

/** A group or a person. */
export interface Subject {
  name: string;
  /** Of its grant in the folder. */
  path: string;
  /** What it is when the folder says nothing; none where the folder has to say something. */
  otherwise: string | null;
}

interface Props {
  folder: Api["FolderRow"];
  subject: Subject;
  /** What the folder says itself; none where it says nothing. */
  own: Verb[] | null;
  close: () => void;
}

type Choice = Reach | "NOTHING" | "AS_ABOVE";

interface Wish {
  reach: Choice;
  beside: Beside[];
}

const verbsOf = ({ reach, beside }: Wish): Verb[] | null => {
  if (reach === "AS_ABOVE") return null;
  const verbs = reach === "NOTHING" ? [] : VERBS.slice(0, VERBS.indexOf(reach) + 1);
  return [...verbs, ...beside];
};

const toggled = (beside: Beside[], verb: Beside, on: boolean): Beside[] =>
  BESIDE.filter((each) => (each === verb ? on : beside.includes(each)));

/** Null takes the folder's own word away. */
const wishOf = (verbs: Verb[] | null) =>
  new URLSearchParams([
    ["own", `${verbs !== null}`],
    ...(verbs ?? []).map((verb) => ["verbs", verb]),
  ]).toString();

/** What somebody may do in a folder; it takes effect at once, everywhere. */
export function GrantSheet({ folder, subject, own, close }: Props) {
  const { name, path, otherwise } = subject;
  const before: Wish =
    own === null
      ? { reach: "AS_ABOVE", beside: [] }
      : { reach: strongest(own) ?? "NOTHING", beside: besideOf(own) };
  const isAdministrator = useIsAdministrator();
  const [wish, setWish] = useState(before);
  const wished = verbsOf(wish);
  const same = wish.reach === before.reach && String(wish.beside) === String(before.beside);
  const say = useNotice();
  const put = (chosen: Wish) => call(path, { method: "PUT", body: { verbs: verbsOf(chosen) } });
  const change = useChange(put);
  const choices: Choice[] = [...(otherwise === null ? [] : ["AS_ABOVE" as const]), "NOTHING", ...VERBS];
  const textOf = (each: Choice) =>
    each === "AS_ABOVE" ? (otherwise ?? "") : each === "NOTHING" ? words.house.nothing : words.verb[each];
  return (
    <Sheet label={words.house.grantTitle(name, folder.name)} close={close}>
      <div>
        <h2>{words.house.grantTitle(name, folder.name)}</h2>
        <p className="pt-2">
          <Choices
            label={words.house.mayDo}
            choices={choices.map((value) => ({ value, text: textOf(value) }))}
            current={wish.reach}
            choose={(reach) => setWish({ reach, beside: reach === "AS_ABOVE" ? [] : wish.beside })}
          />
        </p>
        {BESIDE.map((verb) => (
          <p key={verb} className="pt-2">
            <Tick
              label={words.house.beside[verb]}
              checked={wish.beside.includes(verb)}
              disabled={wish.reach === "AS_ABOVE" || (verb === "MANAGE" && !isAdministrator)}
              change={(on) => setWish({ ...wish, beside: toggled(wish.beside, verb, on) })}
            />
          </p>
        ))}
        {!isAdministrator && (
          <p className="text-quiet pt-1 text-xs">{words.house.managersByAdministrators}</p>
        )}
        <Fault error={change.error} />
      </div>
      <div className="text-sm">
        <p className="font-semibold">{words.house.effectTitle}</p>
        {!same && <Effect path={`${path}/effect?${wishOf(wished)}`} />}
        <p>{words.house.effect}</p>
        <p className="text-quiet">{words.house.stays}</p>
      </div>
      <SheetEnd close={close}>
        <button
          type="button"
          className="act"
          disabled={same || change.isPending}
          onClick={() =>
            change.mutate(wish, {
              onSuccess: () => {
                close();
                say({
                  text: words.house.granted(name, folder.name, wished ? saidOf(wished) : (otherwise ?? "")),
                  undo: () => change.mutate(before),
                });
              },
            })
          }
        >
          {words.house.change}
        </button>
      </SheetEnd>
    </Sheet>
  );
}
