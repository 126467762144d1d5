import type { ReactNode } from "react";
import { useIsAdministrator } from "../kit/useSession";

/** What administrators may change and auditors only read: all controls in it stand still for them. */
export function Minded({ children }: { children: ReactNode }) {
  const mayChange = useIsAdministrator();
  return (
    <fieldset disabled={!mayChange} className="contents">
      {children}
    </fieldset>
  );
}
