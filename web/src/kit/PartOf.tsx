import type { KeyboardEvent, ReactNode } from "react";

interface Props {
  open: boolean;
  toggle: () => void;
  className?: string;
  children: ReactNode;
}

/** A part of a sentence that opens its editor. No button element: that would not break over lines as text does. */
export function PartOf({ open, toggle, className = "", children }: Props) {
  const press = (event: KeyboardEvent) => {
    if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      toggle();
    }
  };
  return (
    <span
      role="button"
      tabIndex={0}
      aria-expanded={open}
      className={`part ${open ? "text-primary border-solid" : ""} ${className}`}
      onClick={toggle}
      onKeyDown={press}
    >
      {children}
    </span>
  );
}
