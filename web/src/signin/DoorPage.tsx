import type { ReactNode } from "react";
import { usePageTitle } from "../kit/pageTitle";
import { Wordmark } from "../kit/Wordmark";

/** A page for who is not signed in yet: the name, and one thing to do. */
export function DoorPage({ title, children }: { title: string; children: ReactNode }) {
  usePageTitle(title);
  return (
    <main className="mx-auto max-w-md px-4 pt-[10vh] pb-16">
      <p className="pb-10 font-serif text-2xl">
        <Wordmark />
      </p>
      {children}
    </main>
  );
}
