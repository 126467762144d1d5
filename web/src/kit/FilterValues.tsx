import { useDeferredValue, useState } from "react";
import { words } from "../words";
import { Tick } from "./Field";
import { Loaded } from "./Loaded";
import type { Cut } from "./cut";
import type { Narrowable } from "./narrowing";
import { readable } from "./reference";
import { useValues } from "./useValues";

interface Props {
  report: number;
  column: Narrowable;
  cut: Cut;
  chosen: string[];
  change: (values: string[]) => void;
}

const MANY = 12;

/** The values of a text column that occur at present, each with its rows; what is chosen stays, be it there or not. */
export function FilterValues({ report, column, cut, chosen, change }: Props) {
  const [sought, setSought] = useState("");
  const query = useValues(report, column.column, cut, useDeferredValue(sought));
  const toggle = (value: string, on: boolean) =>
    change(on ? [...chosen, value].sort() : chosen.filter((each) => each !== value));
  return (
    <Loaded query={query}>
      {(offered) => {
        const gone = chosen.filter((value) => !offered.values.some((each) => each.value === value));
        const isLong = offered.values.length + offered.others > MANY;
        return (
          <>
            {(isLong || sought) && (
              <input
                type="search"
                className="fill mb-2 max-w-xs"
                aria-label={words.filter.search(column.title)}
                placeholder={words.filter.search(column.title)}
                value={sought}
                onChange={(event) => setSought(event.target.value)}
              />
            )}
            <div className="grid max-h-56 grid-cols-[repeat(auto-fill,minmax(min(100%,13rem),1fr))] gap-x-6 gap-y-1 overflow-y-auto">
              {gone.map((value) => (
                <Tick key={value} label={readable(value)} checked change={(on) => toggle(value, on)} />
              ))}
              {offered.values.map(({ value, rows }) => (
                <Tick
                  key={value}
                  label={value}
                  note={words.number(rows)}
                  checked={chosen.includes(value)}
                  change={(on) => toggle(value, on)}
                />
              ))}
            </div>
            {offered.others > 0 && <p className="text-quiet pt-1">{words.filter.others(offered.others)}</p>}
            {offered.values.length + gone.length === 0 && (
              <p className="text-quiet">{words.filter.noValues(column.title)}</p>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
