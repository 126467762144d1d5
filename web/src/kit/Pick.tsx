import { useId } from "react";

interface Props {
  label: string;
  /** What is shown while none is picked. */
  none: string;
  all: { id: number; name: string }[];
  /** The id of the one picked; "" for none. */
  value: string;
  pick: (id: string) => void;
}

/** One of several by name, under its own name. */
export function Pick({ label, none, all, value, pick }: Props) {
  const id = useId();
  return (
    <div className="w-56">
      <label htmlFor={id}>
        <span className="head">{label}</span>
      </label>
      <select id={id} className="fill" value={value} onChange={(event) => pick(event.target.value)}>
        <option value="">{none}</option>
        {all.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name}
          </option>
        ))}
      </select>
    </div>
  );
}
