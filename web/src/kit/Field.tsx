import type { InputHTMLAttributes } from "react";

interface Props extends InputHTMLAttributes<HTMLInputElement> {
  label: string;
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

interface TickProps {
  label: string;
  checked: boolean;
  change: (checked: boolean) => void;
  disabled?: boolean;
  /** Its name stands in the table's head, where there is room for one. */
  inTable?: boolean;
}

/** A box to tick, beside its name. */
export function Tick({ label, checked, change, disabled, inTable }: TickProps) {
  return (
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
}
