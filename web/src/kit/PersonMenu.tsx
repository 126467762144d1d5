import { useRef, useState } from "react";
import { Link } from "react-router";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { words } from "../words";
import { leaveTab } from "./useTabOf";
import { setTheme, theme, type Theme } from "./theme";
import { Choices } from "./Choices";
import { Fault } from "./Fault";
import { useEscape } from "./useEscape";

const THEMES: Theme[] = ["system", "daylight", "lamplight"];

/** Who is signed in, what light it is read by, and the way out. */
export function PersonMenu({ me, showKeys }: { me: Api["Me"]; showKeys: () => void }) {
  const [light, setLight] = useState(theme);
  const menu = useRef<HTMLDetailsElement>(null);
  const [isOpen, setOpen] = useState(false);
  useEscape(() => {
    menu.current?.removeAttribute("open");
    menu.current?.querySelector("summary")?.focus();
  }, isOpen);
  const signOut = useChange(async () => {
    await call("session", { method: "DELETE" });
    leaveTab("/sign-in"); // here, since this menu is gone as soon as the session is read again
  });
  return (
    <details ref={menu} className="relative" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer list-none whitespace-nowrap">{me.name}</summary>
      <div className="border-base-content bg-leaf absolute right-0 z-30 mt-3 w-72 space-y-3 border p-4 text-sm">
        <p className="text-quiet text-xs">
          {me.address} · {me.zone}
        </p>
        <p>
          <Choices
            label={words.theme.label}
            choices={THEMES.map((value) => ({ value, text: words.theme[value] }))}
            current={light}
            choose={(chosen) => {
              setTheme(chosen);
              setLight(chosen);
            }}
          />
        </p>
        <p>
          <Link to="/account" className="choose">
            {words.account.title}
          </Link>
        </p>
        <p>
          <button type="button" className="choose" onClick={showKeys}>
            {words.keys.title}
          </button>
        </p>
        <button type="button" className="choose" onClick={() => signOut.mutate()}>
          {words.signOut}
        </button>
        <Fault error={signOut.error} />
      </div>
    </details>
  );
}
