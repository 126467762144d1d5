import type { ReactNode } from "react";
import { words } from "../words";

interface Props {
  close: () => void;
  /** The act that the sheet is about. */
  children: ReactNode;
}

/** What ends a sheet: its act, or leaving it. */
export function SheetEnd({ close, children }: Props) {
  return (
    <div className="flex items-end gap-4">
      {children}
      <button type="button" className="choose" onClick={close}>
        {words.leaveIt}
      </button>
    </div>
  );
}
