import { Field } from "../kit/Field";

interface Props {
  label: string;
  /** Whether it is one that the browser may know, or one to be made up. */
  kind: "current-password" | "new-password";
  value: string;
  change: (value: string) => void;
  className?: string;
}

/** A password to be typed. */
export function PasswordField({ label, kind, value, change, className }: Props) {
  return (
    <Field
      label={label}
      type="password"
      autoComplete={kind}
      required
      value={value}
      onChange={(event) => change(event.target.value)}
      className={className}
    />
  );
}
