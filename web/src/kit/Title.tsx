import type { ReactNode } from "react";
import { usePageTitle } from "./pageTitle";

type Props = Named & {
  /** Over the title, small: where this belongs. */
  above?: ReactNode;
  /** What it is and how fresh. */
  line?: ReactNode;
  /** The page's main action, and others beside it. */
  actions?: ReactNode;
};

/** What the page is called, also where its heading says more than that. */
type Named = { title: string; name?: undefined } | { title: ReactNode; name: string };

/** The one title row that each page has. */
export function Title({ title, name, above, line, actions }: Props) {
  usePageTitle(name ?? title);
  return (
    <header className="flex flex-wrap items-end justify-between gap-x-6 gap-y-3 pt-6 pb-3">
      <div className="max-w-4xl min-w-0">
        {above && <p className="text-quiet text-xs">{above}</p>}
        <h1>{title}</h1>
        {line && <p className="text-quiet mt-1 first-letter:uppercase">{line}</p>}
      </div>
      {actions && <div className="flex flex-wrap items-center gap-x-5 gap-y-2 print:hidden">{actions}</div>}
    </header>
  );
}
