import { useState, type KeyboardEvent } from "react";
import type { Api } from "../api/client";
import { words } from "../words";

/** A drawing as the server made it; what it says stands beside it in words. */
export function Drawing({ svg, className = "" }: { svg: string; className?: string }) {
  return <div aria-hidden className={className} dangerouslySetInnerHTML={{ __html: svg }} />;
}

interface Props {
  title: string;
  drawing: Api["ChartSvg"];
  /** Shows the rows behind a mark. */
  behind?: (key: string) => void;
}

const STEPS: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** A chart whose marks tell their exact values when pointed at or walked to with the arrow keys. */
export function ChartBlock({ title, drawing, behind }: Props) {
  const [at, setAt] = useState<number | null>(null);
  const mark = at === null ? undefined : drawing.marks[at];
  const last = drawing.marks.length - 1;
  const walk = (event: KeyboardEvent) => {
    if (event.key === "Enter" && mark) behind?.(mark.key);
    const to = goal(event.key, at ?? last, last);
    if (to === null) return;
    event.preventDefault();
    setAt(to);
  };
  return (
    <figure style={{ maxWidth: drawing.width }}>
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-6 pb-2">
        <span className="font-semibold">{title}</span>
        <span role="status" className="text-xs">
          {mark?.label ?? (
            <span className="text-quiet print:hidden">
              {behind ? words.chart.hintRows : words.chart.hint}
            </span>
          )}
        </span>
      </figcaption>
      <div
        role="group"
        tabIndex={0}
        aria-label={words.chart.name(title)}
        className="relative"
        onKeyDown={walk}
        onFocus={() => setAt((before) => before ?? last)}
        onBlur={() => setAt(null)}
        onMouseLeave={() => setAt(null)}
      >
        <Drawing svg={drawing.svg} />
        <svg
          aria-hidden
          viewBox={`0 0 ${drawing.width} ${drawing.height}`}
          className="absolute inset-0 h-full w-full"
        >
          {drawing.marks.map((each, i) => (
            <rect
              key={each.key}
              x={each.x}
              y={each.y}
              width={each.width}
              height={each.height}
              data-mark={each.label}
              className={`${i === at ? "fill-base-content/10" : "fill-transparent"} ${behind ? "cursor-pointer" : ""}`}
              onMouseEnter={() => setAt(i)}
              onClick={() => behind?.(each.key)}
            />
          ))}
        </svg>
      </div>
    </figure>
  );
}

function goal(key: string, from: number, last: number): number | null {
  if (key === "Home") return 0;
  if (key === "End") return last;
  const step = STEPS[key];
  return step === undefined ? null : Math.min(last, Math.max(0, from + step));
}
