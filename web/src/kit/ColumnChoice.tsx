import { ArrowDown, ArrowUp } from "lucide-react";
import type { Api } from "../api/client";
import { words } from "../words";
import { Tick } from "./Field";

interface Props {
  offered: Api["RowColumn"][];
  /** By name, in the order that they are shown in. */
  shown: string[];
  change: (shown: string[]) => void;
}

/** Which columns are shown, and in which order. */
export function ColumnChoice({ offered, shown, change }: Props) {
  const title = (column: string) => offered.find((each) => each.column === column)?.title ?? column;
  const others = offered.map((each) => each.column).filter((column) => !shown.includes(column));
  const move = (from: number, to: number) => {
    const moved = shown.filter((_, i) => i !== from);
    moved.splice(to, 0, shown[from] ?? "");
    change(moved);
  };
  return (
    <ol
      aria-label={words.rows.choice}
      className="border-base-content bg-leaf mt-2 grid max-h-64 grid-cols-[repeat(auto-fill,minmax(min(100%,15rem),1fr))] gap-x-8 gap-y-1 overflow-y-auto border p-4"
    >
      {shown.map((column, i) => (
        <li key={column} className="flex items-center gap-2">
          <Tick
            label={title(column)}
            checked
            disabled={shown.length === 1}
            change={() => change(shown.filter((each) => each !== column))}
          />
          <Mover
            label={words.rows.earlier(title(column))}
            disabled={i === 0}
            move={() => move(i, i - 1)}
            icon={ArrowUp}
          />
          <Mover
            label={words.rows.later(title(column))}
            disabled={i === shown.length - 1}
            move={() => move(i, i + 1)}
            icon={ArrowDown}
          />
        </li>
      ))}
      {others.map((column) => (
        <li key={column}>
          <Tick label={title(column)} checked={false} change={() => change([...shown, column])} />
        </li>
      ))}
    </ol>
  );
}

interface MoverProps {
  label: string;
  disabled: boolean;
  move: () => void;
  icon: typeof ArrowUp;
}

function Mover({ label, disabled, move, icon: Icon }: MoverProps) {
  return (
    <button
      type="button"
      title={label}
      aria-label={label}
      disabled={disabled}
      className="disabled:opacity-30"
      onClick={move}
    >
      <Icon size={16} aria-hidden />
    </button>
  );
}
