import { ZoneOptions } from "../kit/ZoneOptions";
import { useMe } from "../kit/useSession";
import { words } from "../words";
import type { Column } from "./rows";

const TYPES: Column["type"][] = ["TEXT", "NUMBER", "DATE", "TIME"];
const MOST_DECIMALS = 9;

interface Props {
  column: Column;
  /** How many of the rows have no value in it. */
  empty: number;
  /** What stands before or behind each of its numbers; "" for nothing. */
  unit: string;
  change: (column: Column) => void;
}

/** A column's name with its type, which can be corrected. */
export function TypeOf({ column, empty, unit, change }: Props) {
  const me = useMe();
  const become = (type: Column["type"]) =>
    change({ ...column, type, decimals: 0, zone: type === "TIME" ? me.zone : null });
  return (
    <span className="block min-w-28">
      <span className="block font-semibold">{column.name}</span>
      <select
        aria-label={words.data.typeOf(column.name)}
        className="choose bg-transparent font-normal"
        value={column.type}
        onChange={(event) => become(event.target.value as Column["type"])}
      >
        {TYPES.map((type) => (
          <option key={type} value={type}>
            {words.data.types[type]}
          </option>
        ))}
      </select>
      {column.type === "NUMBER" && (
        <label className="block font-normal">
          <input
            type="number"
            min={0}
            max={MOST_DECIMALS}
            className="border-base-300 w-10 border-b bg-transparent"
            aria-label={words.data.decimalsOf(column.name)}
            value={column.decimals}
            onChange={(event) =>
              change({
                ...column,
                decimals: Math.max(0, Math.min(MOST_DECIMALS, Number(event.target.value))),
              })
            }
          />{" "}
          {words.data.decimals}
        </label>
      )}
      {column.zone && (
        <select
          aria-label={words.data.zoneOf(column.name)}
          className="choose block w-36 bg-transparent font-normal"
          value={column.zone}
          onChange={(event) => change({ ...column, zone: event.target.value })}
        >
          <ZoneOptions current={column.zone} />
        </select>
      )}
      {column.type === "NUMBER" && unit && (
        <span className="text-quiet block font-normal">{words.data.withoutUnit(unit)}</span>
      )}
      {empty > 0 && <span className="text-quiet block font-normal">{words.data.emptyValues(empty)}</span>}
    </span>
  );
}
