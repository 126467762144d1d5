import { useEffect, useRef } from "react";
import { useNavigate } from "react-router";
import { words } from "../words";

/** The search field of the top line; "/" and Ctrl+K go to it. */
export function FindReport() {
  const field = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  useEffect(() => {
    const jump = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.matches("input, textarea, select");
      const called = (event.key === "/" && !typing) || (event.key === "k" && event.ctrlKey);
      if (called) {
        event.preventDefault();
        field.current?.focus();
      }
    };
    window.addEventListener("keydown", jump);
    return () => window.removeEventListener("keydown", jump);
  }, []);
  return (
    <form
      role="search"
      className="max-lg:hidden"
      onSubmit={(event) => {
        event.preventDefault();
        void navigate(`/library?words=${encodeURIComponent(field.current?.value ?? "")}`);
      }}
    >
      <input
        ref={field}
        type="search"
        aria-label={words.find}
        placeholder={words.find}
        className="fill w-[220px] text-sm"
      />
    </form>
  );
}
