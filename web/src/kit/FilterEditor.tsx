import { useState } from "react";
import type { Api } from "../api/client";
import { words } from "../words";
import { Tick } from "./Field";

interface Props {
  choice: Api["FilterChoice"];
  change: (values: string[]) => void;
}

const MANY = 12;

/** Narrows to some of a column's values; none ticked means all of them. */
export function FilterEditor({ choice, change }: Props) {
  const [sought, setSought] = useState("");
  const matching = choice.values.filter((value) => value.toLowerCase().includes(sought.toLowerCase()));
  const toggle = (value: string, on: boolean) =>
    change(choice.values.filter((each) => (each === value ? on : choice.chosen.includes(each))));
  return (
    <fieldset className="text-sm">
      <legend className="flex gap-6 pb-1">
        <span className="font-semibold">{choice.title}</span>
        <button
          type="button"
          className="choose"
          disabled={choice.chosen.length === 0}
          onClick={() => change([])}
        >
          {words.filter.all(choice.title)}
        </button>
      </legend>
      {choice.values.length > MANY && (
        <input
          type="search"
          className="fill mb-2 max-w-xs"
          aria-label={words.filter.search(choice.title)}
          placeholder={words.filter.search(choice.title)}
          value={sought}
          onChange={(event) => setSought(event.target.value)}
        />
      )}
      <div className="grid max-h-56 grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-x-6 gap-y-1 overflow-y-auto">
        {matching.map((value) => (
          <Tick
            key={value}
            label={value}
            checked={choice.chosen.includes(value)}
            change={(on) => toggle(value, on)}
          />
        ))}
      </div>
    </fieldset>
  );
}
