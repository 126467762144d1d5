import { OneOf } from "../kit/Field";

interface Props<Way extends string> {
  name: string;
  asks: string;
  ways: Way[];
  says: Record<Way, string>;
  chosen: Way | null;
  choose: (way: Way) => void;
}

/** Asks how values are read that can be read in two ways. */
export function WhichIsMeant<Way extends string>({ name, asks, ways, says, chosen, choose }: Props<Way>) {
  return (
    <fieldset className="border-late mb-4 flex flex-wrap gap-x-6 border-l-2 pl-3">
      <legend className="text-late">{asks}</legend>
      {ways.map((way) => (
        <OneOf key={way} name={name} label={says[way]} checked={chosen === way} choose={() => choose(way)} />
      ))}
    </fieldset>
  );
}
