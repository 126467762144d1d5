import { BookOpen, CalendarClock, Library, Mailbox, Search, ShieldCheck } from "lucide-react";
import { useState } from "react";
import { Link, NavLink, Outlet } from "react-router";
import type { Api } from "../api/client";
import { words } from "../words";
import { Arrival } from "./Arrival";
import { FindReport } from "./FindReport";
import { useKey } from "./keys";
import { KeysSheet } from "./KeysSheet";
import { NextSend } from "./NextSend";
import { PersonMenu } from "./PersonMenu";
import { mindsHouse } from "./useSession";
import { Wordmark } from "./Wordmark";

interface Props {
  me: Api["Me"];
  demo: boolean;
}

function sections({ me, demo }: Props) {
  return [
    { to: "/", text: words.section.shelf, icon: BookOpen },
    { to: "/library", text: words.section.library, icon: Library },
    { to: "/subscriptions", text: words.section.subscriptions, icon: CalendarClock },
    ...(mindsHouse(me) ? [{ to: "/house", text: words.section.house, icon: ShieldCheck }] : []),
    ...(demo ? [{ to: "/mail-room", text: words.section.mailRoom, icon: Mailbox }] : []),
  ];
}

const CONTENT = "content";

/** The top line that every page has, and on a phone the bar at the bottom. */
export function Frame({ me, demo }: Props) {
  const places = sections({ me, demo });
  const [keysShown, setKeysShown] = useState(false);
  useKey("?", () => setKeysShown(true));
  return (
    <>
      <a
        href={`#${CONTENT}`}
        className="bg-base-100 sr-only z-50 print:hidden p-3 focus:not-sr-only focus:absolute"
      >
        {words.skipToContent}
      </a>
      <header className="border-base-content border-b print:hidden">
        <div className="mx-auto flex h-[55px] max-w-[1280px] items-center gap-7 px-4 md:px-8">
          <NavLink to="/" className="font-serif text-[21px] whitespace-nowrap" aria-label={words.toShelf}>
            <Wordmark />
          </NavLink>
          <nav aria-label={words.sections} className="flex gap-7 self-stretch max-md:hidden">
            {places.map(({ to, text }) => (
              <NavLink
                key={to}
                to={to}
                end={to === "/"}
                className={({ isActive }) =>
                  `flex items-center border-b-2 pt-0.5 ${isActive ? "border-primary font-semibold" : "border-transparent"}`
                }
              >
                {text}
              </NavLink>
            ))}
          </nav>
          <div className="ml-auto flex items-center gap-7">
            <FindReport />
            <Link to="/library" className="lg:hidden" aria-label={words.toLibrarySearch}>
              <Search aria-hidden size={18} />
            </Link>
            <NextSend />
            <PersonMenu me={me} showKeys={() => setKeysShown(true)} />
          </div>
        </div>
      </header>
      <Arrival content={CONTENT} />
      <main
        id={CONTENT}
        tabIndex={-1}
        className="outline-none mx-auto max-w-[1280px] px-4 pb-24 md:px-8 print:p-0"
      >
        <Outlet />
      </main>
      {keysShown && <KeysSheet close={() => setKeysShown(false)} />}
      <nav
        aria-label={words.sections}
        className="border-base-content bg-base-100 fixed inset-x-0 bottom-0 z-20 flex h-14 justify-around border-t md:hidden print:hidden"
      >
        {places.map(({ to, text, icon: Icon }) => (
          <NavLink
            key={to}
            to={to}
            end={to === "/"}
            className={({ isActive }) =>
              `flex flex-col items-center justify-center text-xs ${isActive ? "text-primary font-semibold" : ""}`
            }
          >
            <Icon aria-hidden />
            {text}
          </NavLink>
        ))}
      </nav>
    </>
  );
}
