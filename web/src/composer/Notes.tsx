import type { Api } from "../api/client";
import { words } from "../words";
import type { Part } from "./part";

/** What is missing, and what is noted on a part whose editor is closed. */
export function Notes({ composed, open }: { composed: Api["Composed"]; open: Part[] }) {
  return (
    <ul className="pt-3 text-sm">
      {composed.missing.length > 0 && (
        <li className="text-late">
          {words.composer.missing(composed.missing.map((part) => words.part[part]))}
        </li>
      )}
      {composed.notes
        .filter((note) => !open.includes(note.part))
        .map((note) => (
          <li
            key={note.text}
            className={`first-letter:uppercase ${note.serious ? "text-error" : "text-late"}`}
          >
            {note.text}
          </li>
        ))}
    </ul>
  );
}
