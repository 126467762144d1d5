import { Star } from "lucide-react";
import { call } from "../api/client";
import { useChange } from "../api/use";
import { words } from "../words";

interface Props {
  report: number;
  title: string;
  favourite: boolean;
}

/** Whether a report is one of mine that I want at hand. */
export function Favourite({ report, title, favourite }: Props) {
  const change = useChange((on: boolean) =>
    call<null>(`reports/${report}/favourite`, { method: on ? "PUT" : "DELETE" }),
  );
  return (
    <button
      type="button"
      aria-pressed={favourite}
      aria-label={words.favourite.of(title)}
      title={favourite ? words.favourite.is : words.favourite.mark}
      className="align-baseline"
      onClick={() => change.mutate(!favourite)}
    >
      <Star
        size={18}
        aria-hidden
        className={`inline ${favourite ? "fill-current text-primary" : "text-quiet"}`}
      />
    </button>
  );
}
