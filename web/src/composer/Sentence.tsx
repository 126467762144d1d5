import { Fragment, type ReactNode } from "react";
import type { Api } from "../api/client";
import { PartOf } from "../kit/PartOf";
import type { Part } from "./part";

type Phrase = Api["Phrase"];

interface Props {
  composed: Api["Composed"];
  open: Part[];
  toggle: (part: Part) => void;
  editor: (part: Part) => ReactNode;
}

/** The editors of cut and letter stand under the sentence, since they stay while their parts come and go. */
const stands = (part: Part) => part !== "CUT" && part !== "LETTER";

/** Splits the sentence behind each open part, so that the part's editor can stand right under it. */
function stretches(phrases: Phrase[], open: Part[]): Phrase[][] {
  const cut: Phrase[][] = [[]];
  phrases.forEach((phrase, i) => {
    cut.at(-1)?.push(phrase);
    const before = phrases[i - 1];
    const closes = phrase.part === null && before?.part && stands(before.part) && open.includes(before.part);
    if (closes && i < phrases.length - 1) cut.push([]);
  });
  return cut;
}

/** The plain sentence; each of its parts is a button. */
export function Sentence({ composed, open, toggle, editor }: Props) {
  return (
    <div>
      {stretches(composed.sentence, open).map((stretch, i) => (
        <Fragment key={i}>
          <p className="font-serif text-2xl leading-[1.4] font-semibold md:text-[32px] md:leading-[1.35]">
            {stretch.map((phrase, j) =>
              phrase.part === null ? (
                <span key={j}>{phrase.text}</span>
              ) : (
                <PartOf
                  key={j}
                  open={open.includes(phrase.part)}
                  toggle={() => phrase.part && toggle(phrase.part)}
                  className={phrase.missing ? "text-late" : ""}
                >
                  {phrase.text}
                </PartOf>
              ),
            )}
          </p>
          {stretch.map(({ part }) => part !== null && stands(part) && open.includes(part) && editor(part))}
        </Fragment>
      ))}
    </div>
  );
}
