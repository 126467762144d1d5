import { useState, type InputHTMLAttributes, type Ref } from "react";

interface Props extends InputHTMLAttributes<HTMLInputElement> {
  label: string;
  ref?: Ref<HTMLInputElement>;
}

/** An input under its name. */
export function Field({ label, className = "", ...input }: Props) {
  return (
    <label className={`block ${className}`}>
      <span className="head">{label}</span>
      <input className="fill" {...input} />
    </label>
  );
}

interface CountProps {
  label: string;
  most: number;
  value: number;
  change: (value: number) => void;
}

/** A whole number from 1 to the most there is; what lies outside is not taken. */
export function Count({ label, most, value, change }: CountProps) {
  // what is typed stays as it is until the field is left: on the way to a number it may be none
  const [typed, setTyped] = useState<string>();
  return (
    <Field
      label={label}
      type="number"
      min={1}
      max={most}
      value={typed ?? value}
      className="w-28"
      onChange={(event) => {
        setTyped(event.target.value);
        const count = Number(event.target.value);
        if (Number.isInteger(count) && count >= 1 && count <= most) change(count);
      }}
      onBlur={() => setTyped(undefined)}
    />
  );
}

interface OneOfProps {
  /** Of all that one is chosen of. */
  name: string;
  label: string;
  /** What it means, under its name. */
  hint?: string;
  checked: boolean;
  choose: () => void;
  disabled?: boolean;
}

/** One of several that exclude each other, beside its name. */
export function OneOf({ name, label, hint, checked, choose, disabled }: OneOfProps) {
  return (
    <label className={`inline-flex items-baseline gap-2 ${disabled ? "text-quiet" : "cursor-pointer"}`}>
      <input
        type="radio"
        name={name}
        className="radio radio-primary radio-sm relative top-0.5"
        checked={checked}
        disabled={disabled}
        onChange={choose}
      />
      <span>
        {label}
        {hint && <span className="text-quiet block text-sm">{hint}</span>}
      </span>
    </label>
  );
}

interface TickProps {
  label: string;
  /** What is to be known of it, beside it. */
  note?: string;
  checked: boolean;
  change: (checked: boolean) => void;
  disabled?: boolean;
  /** Its name stands in the table's head, where there is room for one. */
  inTable?: boolean;
}

/** A box to tick, beside its name. */
export function Tick({ label, note, checked, change, disabled, inTable }: TickProps) {
  const tick = (
    <label className={`flex items-center gap-2 ${disabled ? "text-quiet" : "cursor-pointer"}`}>
      <input
        type="checkbox"
        className="checkbox checkbox-primary checkbox-sm"
        checked={checked}
        disabled={disabled}
        onChange={(event) => change(event.target.checked)}
      />
      <span className={inTable ? "md:sr-only" : ""}>{label}</span>
    </label>
  );
  return note ? (
    <div className="flex items-center justify-between gap-2">
      {tick}
      <span className="text-quiet text-xs">{note}</span>
    </div>
  ) : (
    tick
  );
}
