import type { Api } from "../api/client";
import { words } from "../words";
import { useNamed, type Named } from "./named";
import { referenceTo } from "./reference";

interface Props {
  type: Api["Column"]["type"];
  test: Api["Filter"]["test"];
  values: string[];
  /** What occurs in the column, where all of that is known. */
  occurring?: string[];
  set: (values: string[]) => void;
}

/** Narrows by a named value instead of by a value; those that have nothing of the column stand apart. */
export function NamedChoices({ type, test, values, occurring, set }: Props) {
  const named = useNamed().data ?? [];
  const offered = named.filter(
    (each) => each.outcome && fits(each, type) && (test !== "BETWEEN" || isOne(each)),
  );
  if (offered.length === 0 || !["ANY_OF", "NONE_OF", "BETWEEN"].includes(test)) return null;
  const isHere = (each: Named) =>
    !occurring ||
    values.includes(referenceTo(each.named.name)) ||
    each.outcome?.values.some((value) => occurring.includes(value));
  const here = offered.filter(isHere);
  const elsewhere = offered.filter((each) => !isHere(each));
  const list = (some: Named[]) => (
    <ul className="flex flex-wrap gap-x-6 gap-y-1">
      {some.map((each) => (
        <li key={each.id}>
          {waysOf(test, each.named.name).map(({ text, wanted }) => (
            <button
              key={text}
              type="button"
              aria-pressed={wanted.join() === values.join()}
              className={`mr-3 ${wanted.join() === values.join() ? "current" : "choose"}`}
              onClick={() => set(wanted)}
            >
              {text}
            </button>
          ))}
          <span className="text-quiet">{each.outcome?.written}</span>
        </li>
      ))}
    </ul>
  );
  return (
    <div className="border-base-300 mt-3 border-t pt-2">
      {here.length > 0 && <p className="head">{words.named.by}</p>}
      {list(here)}
      {elsewhere.length > 0 && (
        <details>
          <summary className="head cursor-pointer">{words.named.elsewhere(elsewhere.length)}</summary>
          {list(elsewhere)}
        </details>
      )}
    </div>
  );
}

/** Numbers for numbers, days for days, and for times either of those; a text may be anything that was not computed as one of these. */
const fits = (named: Named, type: Props["type"]) => {
  const looks = named.outcome?.values.map(typeOf) ?? [];
  return type === "TEXT"
    ? named.named.kind !== "FORMULA" || looks.every((look) => look === "TEXT")
    : looks.every((look) => look === type || (type === "TIME" && look === "DATE"));
};

const LOOKS: [Props["type"], RegExp][] = [
  ["DATE", /^\d{4}-\d{2}-\d{2}$/],
  ["TIME", /^\d{4}-\d{2}-\d{2}T/],
  ["NUMBER", /^-?\d+(\.\d+)?$/],
];

const typeOf = (value: string) => (LOOKS.find(([, look]) => look.test(value)) ?? ["TEXT"])[0];

/** A bound is one value. */
const isOne = (named: Named) => named.outcome?.values.length === 1;

const waysOf = (test: Props["test"], name: string) =>
  test === "BETWEEN"
    ? [
        { text: words.named.atLeast(name), wanted: [referenceTo(name), ""] },
        { text: words.named.atMost(name), wanted: ["", referenceTo(name)] },
      ]
    : [{ text: `“${name}”`, wanted: [referenceTo(name)] }];
