import { useState } from "react";
import type { Api } from "../api/client";
import type { Cut } from "../kit/cut";
import { words } from "../words";
import { ClipForm } from "./ClipForm";

interface Props {
  report: number;
  /** What is on the screen. */
  cut: Cut;
  page: Api["Page"];
  file: (kind: string) => string;
}

/** The page as a file, or parts of it on a page of one's own. */
export function TakeAlong({ report, cut, page, file }: Props) {
  const [clipping, setClipping] = useState(false);
  return (
    <div className={`min-w-0 print:hidden ${clipping ? "basis-full" : ""}`}>
      <p className="text-quiet text-xs">
        {words.reader.takeAlong}{" "}
        {(["PDF", "XLSX", "PNG"] as const).map((kind) => (
          <a key={kind} className="choose mr-4" href={file(kind)} download>
            {kind}
          </a>
        ))}
        <button
          type="button"
          className="choose"
          aria-expanded={clipping}
          onClick={() => setClipping(!clipping)}
        >
          {words.clippings.clip}
        </button>
      </p>
      {clipping && <ClipForm report={report} cut={cut} page={page} close={() => setClipping(false)} />}
    </div>
  );
}
