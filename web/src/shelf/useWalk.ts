import { singleKeys } from "../kit/keys";
import { useRef, type KeyboardEvent, type RefObject } from "react";

const PAUSE_MS = 800;

const rowsOf = (shelf: HTMLElement) => [...shelf.querySelectorAll<HTMLElement>("[data-row]")];
const spinesOf = (row: HTMLElement) => [...row.querySelectorAll<HTMLElement>("[data-spine]")];

/** Walking the shelf by keys: arrows along and between rows, Home and End, letters jump to a row's title. */
export function useWalk(shelf: RefObject<HTMLElement | null>) {
  const typed = useRef({ text: "", at: 0 });

  return (event: KeyboardEvent) => {
    const from = event.target;
    if (!shelf.current || !(from instanceof HTMLElement) || !from.matches("[data-spine]")) return;
    const rows = rowsOf(shelf.current);
    const rowAt = rows.findIndex((row) => row.contains(from));
    const row = rows[rowAt];
    if (!row) return;
    const to =
      isLetter(event) && singleKeys() ? titled(rows, type(event)) : neighbour(rows, rowAt, from, event.key);
    if (to) {
      event.preventDefault();
      from.tabIndex = -1;
      to.tabIndex = 0;
      to.focus();
    }
  };

  function type(event: KeyboardEvent): string {
    const { text, at } = typed.current;
    typed.current = {
      text: event.timeStamp - at < PAUSE_MS ? text + event.key : event.key,
      at: event.timeStamp,
    };
    return typed.current.text.toLowerCase();
  }
}

const isLetter = (event: KeyboardEvent) =>
  /^\p{L}$/u.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey;

const titled = (rows: HTMLElement[], start: string) =>
  spinesOf(rows.find((row) => row.dataset.row?.toLowerCase().startsWith(start)) ?? document.body).at(-1);

function neighbour(rows: HTMLElement[], rowAt: number, from: HTMLElement, key: string) {
  const row = spinesOf(rows[rowAt] ?? from);
  const at = row.indexOf(from);
  switch (key) {
    case "ArrowLeft":
      return row[at - 1];
    case "ArrowRight":
      return row[at + 1];
    case "Home":
      return row[0];
    case "End":
      return row.at(-1);
    case "ArrowUp":
      return nearest(rows.slice(0, rowAt).reverse(), from);
    case "ArrowDown":
      return nearest(rows.slice(rowAt + 1), from);
    default:
      return undefined;
  }
}

/** The spine of the next row that has any, which stands closest under or over this one. */
function nearest(rows: HTMLElement[], from: HTMLElement) {
  const spines = rows.map(spinesOf).find((row) => row.length > 0);
  const x = from.getBoundingClientRect().left;
  const distance = (spine: HTMLElement) => Math.abs(spine.getBoundingClientRect().left - x);
  return spines?.reduce((best, spine) => (distance(spine) < distance(best) ? spine : best));
}
