import { useRef } from "react";
import { useNavigate } from "react-router";
import { words } from "../words";
import { useKey } from "./keys";

/** The search field of the top line; "/" and Ctrl+K go to it. */
export function FindReport() {
  const field = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const jump = () => field.current?.focus();
  useKey("/", jump);
  useKey("k", jump, true);
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
