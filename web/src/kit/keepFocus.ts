/** Where the focus may go when what had it is gone: the smallest part of the page that it stood in. */
const PARTS = "li, tr, fieldset, form, section, aside, nav, dialog, [role=dialog], main";

/** What had the focus last, and the parts that it stood in, from the inside. */
interface Place {
  element: HTMLElement;
  parts: HTMLElement[];
}

let last: Place | null = null;

function partsAround(element: HTMLElement): HTMLElement[] {
  const parts: HTMLElement[] = [];
  for (let at = element.parentElement; at; at = at.parentElement) {
    if (at.matches(PARTS)) parts.push(at);
  }
  return parts;
}

const canHaveFocus = (element: HTMLElement) => element.isConnected && !element.matches(":disabled");

function remember(event: FocusEvent) {
  if (event.target instanceof HTMLElement && event.target !== document.body) {
    last = { element: event.target, parts: partsAround(event.target) };
  }
}

/** Who clicks beside everything, or goes on by Tab to the browser's own bars, wants the focus nowhere here. */
function forget(event: FocusEvent) {
  const left = event.target;
  if (event.relatedTarget !== null || !(left instanceof HTMLElement)) return;
  setTimeout(() => {
    if (last?.element === left && canHaveFocus(left)) last = null;
  });
}

function giveBack() {
  if (!last || document.activeElement !== document.body) return;
  if (last.element.isConnected) {
    // what waits for an answer is disabled for as long, and has the focus again afterwards
    if (canHaveFocus(last.element)) last.element.focus({ preventScroll: true });
    return;
  }
  const part = last.parts.find((each) => each.isConnected);
  if (!part) return;
  if (!part.hasAttribute("tabindex")) part.tabIndex = -1;
  part.focus({ preventScroll: true });
}

/**
 * An act often takes away what was pressed: a line that is taken off, a button that does what is done. The focus then stays
 * in the part of the page that the act was about, instead of falling to its beginning.
 */
export function keepFocus(): void {
  document.addEventListener("focusin", remember);
  document.addEventListener("focusout", forget);
  // later: while the focus goes from one to the next, what was left may change already, and nothing has it for a moment
  new MutationObserver(() => setTimeout(giveBack)).observe(document.body, {
    subtree: true,
    childList: true,
    attributes: true,
    attributeFilter: ["disabled"],
  });
}
