import { useEffect, useRef, type ReactNode } from "react";
import { words } from "../words";
import { useEscape } from "./useEscape";

interface Props {
  label: string;
  close: () => void;
  /** It ends by no act of its own, and is closed by a word at its corner that stays in view. */
  closes?: boolean;
  children: ReactNode;
}

/**
 * Rises from the bottom edge over at most two thirds of the height; Escape closes it, the focus goes back. Where it ends by
 * an act, nothing else can be used until it is done or left; what is only looked at stands beside the page.
 */
export function Sheet({ label, close, closes = false, children }: Props) {
  const sheet = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const before = document.activeElement;
    if (closes) sheet.current?.show();
    else sheet.current?.showModal();
    sheet.current?.focus();
    return () => {
      if (before instanceof HTMLElement) before.focus();
    };
  }, [closes]);
  useEscape(close);
  return (
    <dialog
      ref={sheet}
      tabIndex={-1}
      aria-label={label}
      onCancel={(event) => {
        event.preventDefault();
        close();
      }}
      className="border-base-content bg-leaf text-base-content fixed inset-x-0 top-auto bottom-0 z-50 m-0 max-h-[66vh] w-full max-w-none overflow-y-auto border-t shadow-[0_-8px_24px_rgb(0_0_0/0.12)] backdrop:bg-black/25"
    >
      <div className="mx-auto grid max-w-[1280px] gap-6 px-4 py-5 md:grid-cols-[1fr_1fr_auto] md:px-8">
        {closes && (
          <button
            type="button"
            className="choose bg-leaf sticky top-0 z-10 -mb-4 self-start justify-self-end md:col-start-3 md:row-start-1 md:mb-0"
            onClick={close}
          >
            {words.close}
          </button>
        )}
        {children}
      </div>
    </dialog>
  );
}
