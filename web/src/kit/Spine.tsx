import { Link } from "react-router";
import type { Api } from "../api/client";
import { words } from "../words";

export type SpineState = Api["Spine"]["state"] | "TO_COME";

interface Size {
  width: number;
  height: number;
}

interface MarkProps extends Size {
  state: SpineState;
  number?: number;
}

const ROOM_FOR_NUMBER = 13;

/** An issue's mark: each state has a shape of its own, so that colour is never needed to tell them apart. */
export function SpineMark({ state, number, width, height }: MarkProps) {
  const body = { x: 0.5, y: 0.5, width: width - 1, height: height - 1, rx: 1.5 };
  return (
    <svg
      aria-hidden
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      className="overflow-visible"
      fill="none"
      stroke="currentColor"
    >
      <Shape state={state} body={body} />
      {number !== undefined && width >= ROOM_FOR_NUMBER && height >= 28 && hasBody(state) && (
        <text
          x={width / 2}
          y={height - 5}
          transform={`rotate(-90 ${width / 2} ${height - 5})`}
          dominantBaseline="central"
          fontSize={11}
          stroke="none"
          className={state === "UNREAD" ? "fill-primary-content" : "fill-base-content"}
        >
          {number}
        </text>
      )}
    </svg>
  );
}

const hasBody = (state: SpineState) => state !== "SKIPPED" && state !== "TO_COME";

interface Body extends Size {
  x: number;
  y: number;
  rx: number;
}

function Shape({ state, body }: { state: SpineState; body: Body }) {
  const right = body.x + body.width;
  const foot = body.y + body.height;
  const band = <path d={`M${body.x + 3} ${body.y + 4}H${right - 3}`} />;
  switch (state) {
    case "UNREAD":
      return (
        <g className="text-primary">
          <rect {...body} fill="currentColor" />
          <path d={`M${body.x + 3} ${body.y + 4}H${right - 3}`} className="stroke-primary-content" />
        </g>
      );
    case "READ":
      return (
        <>
          <rect {...body} className="fill-base-100" />
          {band}
        </>
      );
    case "OTHERS":
      return <rect {...body} className="fill-base-100 text-quiet" strokeDasharray="3 2" />;
    case "PARTLY":
      return (
        <>
          <rect {...body} className="fill-base-100" />
          <path
            d={`M${body.x} ${body.y + body.height * 0.42}L${right} ${body.y + body.height * 0.55}V${foot}H${body.x}Z`}
            className="fill-warning"
          />
          {band}
        </>
      );
    case "FAILED":
      return (
        <g className="text-error" transform={`rotate(-14 ${right / 2} ${foot})`}>
          <rect {...body} className="fill-base-100" />
          {band}
        </g>
      );
    case "UNDER_WAY":
      return (
        <g className="text-primary">
          <rect {...body} className="fill-base-100" />
          {[0.9, 0.7, 0.5].map((share) => (
            <path key={share} strokeWidth={3} d={`M${body.x} ${body.y + body.height * share}H${right}`} />
          ))}
        </g>
      );
    case "SKIPPED":
      return (
        <>
          <path strokeDasharray="2 3" d={`M${(body.x + right) / 2} ${body.y}V${foot - 2}`} />
          <path strokeWidth={1.5} d={`M${body.x} ${foot}H${right}`} />
        </>
      );
    case "TO_COME":
      return <path className="text-quiet" d={`M${body.x} ${foot}V${foot - 7}H${right}V${foot}`} />;
  }
}

interface LinkProps extends Size {
  spine: Api["Spine"];
  /** Whether it is the one that is being read. */
  current?: boolean;
}

/** A spine that opens its issue. */
export function SpineLink({ spine, current, width, height }: LinkProps) {
  return (
    <Link
      to={`/issues/${spine.id}`}
      title={spine.note}
      aria-label={`${spine.note}, ${words.spine[spine.state]}`}
      aria-current={current ? "page" : undefined}
      className={`inline-flex min-w-6 justify-center ${current ? "border-base-content border-b-2 pb-0.5" : "pb-[4px]"}`}
    >
      <SpineMark state={spine.state} number={spine.number} width={width} height={height} />
    </Link>
  );
}

const EXPLAINED: SpineState[] = [
  "UNREAD",
  "READ",
  "OTHERS",
  "SKIPPED",
  "PARTLY",
  "FAILED",
  "UNDER_WAY",
  "TO_COME",
];

/** What each mark means. */
export function Legend() {
  return (
    <ul aria-label={words.legend} className="text-quiet flex flex-wrap gap-x-6 gap-y-2 text-xs">
      {EXPLAINED.map((state) => (
        <li key={state} className="flex items-end gap-2">
          <span className="text-base-content">
            <SpineMark state={state} width={10} height={20} />
          </span>
          {words.spine[state]}
        </li>
      ))}
    </ul>
  );
}
