import { createContext, useCallback, useContext, useEffect, useState, type ReactNode } from "react";
import { words } from "../words";

interface Notice {
  text: string;
  undo?: () => void;
}

const Context = createContext<(notice: Notice) => void>(() => undefined);

/** How long a notice stays by itself: long enough to read it and to take the thing back. */
const STAYS_MS = 20_000;

/** Says at the bottom edge what was done, with the way back where there is one. */
export function Notices({ children }: { children: ReactNode }) {
  const [notice, setNotice] = useState<Notice | null>(null);
  const say = useCallback((next: Notice) => setNotice(next), []);
  useEffect(() => {
    if (!notice) return undefined;
    const timer = setTimeout(() => setNotice(null), STAYS_MS);
    return () => clearTimeout(timer);
  }, [notice]);
  return (
    <Context value={say}>
      {children}
      <div role="status">{notice && <Bar notice={notice} close={() => setNotice(null)} />}</div>
    </Context>
  );
}

function Bar({ notice, close }: { notice: Notice; close: () => void }) {
  const undo = () => {
    notice.undo?.();
    close();
  };
  return (
    <div className="bg-neutral text-neutral-content fixed inset-x-0 bottom-0 z-40 flex flex-wrap items-center gap-x-6 gap-y-1 px-4 py-3 max-md:bottom-14 md:px-8">
      <span>{notice.text}</span>
      <span className="ml-auto flex gap-5">
        {notice.undo && <BarButton text={words.undo} act={undo} />}
        <BarButton text={words.close} act={close} />
      </span>
    </div>
  );
}

function BarButton({ text, act }: { text: string; act: () => void }) {
  return (
    <button type="button" className="cursor-pointer border-b border-current" onClick={act}>
      {text}
    </button>
  );
}

// eslint-disable-next-line react-refresh/only-export-components -- the hook and its provider belong together
export const useNotice = () => useContext(Context);
