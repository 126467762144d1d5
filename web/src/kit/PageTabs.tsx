import type { Api } from "../api/client";
import { words } from "../words";

interface Props {
  pages: Api["PageName"][];
  current: string;
  choose: (page: string) => void;
  /** Whether it is set off by a line of its own. */
  ruled?: boolean;
}

/** The pages as a numbered line of contents. */
export function PageTabs({ pages, current, choose, ruled = true }: Props) {
  const at = pages.findIndex((page) => page.id === current);
  return (
    <nav
      aria-label={words.pages.label}
      className={`flex flex-wrap items-baseline gap-x-7 gap-y-1 ${ruled ? "border-base-content border-t pt-2" : ""}`}
    >
      {pages.map((page, i) => (
        <button
          key={page.id}
          type="button"
          aria-current={page.id === current ? "page" : undefined}
          className={page.id === current ? "current" : "choose print:hidden"}
          onClick={() => choose(page.id)}
        >
          {i + 1} {page.title}
        </button>
      ))}
      <span className="text-quiet text-xs">{words.pages.of(at + 1, pages.length)}</span>
    </nav>
  );
}
