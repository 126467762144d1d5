import { useDeferredValue, useId, useRef, useState, type KeyboardEvent } from "react";
import { useNavigate } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { words } from "../words";
import { useKey } from "./keys";
import { useEscape } from "./useEscape";

/** The search field of the top line; "/" and Ctrl+K go to it. The best answers stand under it while one types. */
export function FindReport() {
  const field = useRef<HTMLInputElement>(null);
  const list = useId();
  const navigate = useNavigate();
  const [sought, setSought] = useState("");
  const [open, setOpen] = useState(false);
  const [at, setAt] = useState(-1);
  const asked = useDeferredValue(sought.trim());
  const found = useRead<Api["Hit"][]>(`library/hits?words=${encodeURIComponent(asked)}`, {
    when: open && asked !== "",
  });
  const hits = open && asked ? (found.data ?? []) : [];
  const jump = () => field.current?.focus();
  useKey("/", jump);
  useKey("k", jump, true);
  useEscape(() => setOpen(false), hits.length > 0);
  const leave = (to: string) => {
    setOpen(false);
    setAt(-1);
    void navigate(to);
  };
  const walk = (event: KeyboardEvent) => {
    const step = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (step === 0 || hits.length === 0) return;
    event.preventDefault();
    setAt(Math.min(hits.length - 1, Math.max(-1, at + step)));
  };
  return (
    <form
      role="search"
      className="relative max-lg:hidden"
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) setOpen(false);
      }}
      onSubmit={(event) => {
        event.preventDefault();
        const hit = hits[at];
        leave(hit ? `/reports/${hit.report}` : `/library?words=${encodeURIComponent(sought)}`);
      }}
    >
      <input
        ref={field}
        type="search"
        role="combobox"
        aria-label={words.find}
        aria-expanded={hits.length > 0}
        aria-controls={list}
        aria-autocomplete="list"
        aria-activedescendant={at >= 0 ? `${list}-${at}` : undefined}
        autoComplete="off"
        placeholder={words.find}
        className="fill w-[220px] text-sm"
        value={sought}
        onChange={(event) => {
          setSought(event.target.value);
          setOpen(true);
          setAt(-1);
        }}
        onKeyDown={walk}
      />
      <ul
        id={list}
        role="listbox"
        aria-label={words.found}
        hidden={hits.length === 0}
        className="border-base-content bg-leaf absolute right-0 z-50 mt-1 w-96 border"
      >
        {hits.map((hit, i) => (
          <li
            key={hit.report}
            id={`${list}-${i}`}
            role="option"
            aria-selected={i === at}
            className={`cursor-pointer px-3 py-2 ${i === at ? "bg-base-300" : ""}`}
            onMouseDown={(event) => event.preventDefault()}
            onMouseEnter={() => setAt(i)}
            onClick={() => leave(`/reports/${hit.report}`)}
          >
            <span className="font-serif font-semibold">{hit.title}</span>
            <span className="text-quiet block truncate text-xs">
              {hit.folder} · {hit.foundIn ? words.library.foundIn(hit.foundIn) : hit.about}
            </span>
          </li>
        ))}
      </ul>
    </form>
  );
}
