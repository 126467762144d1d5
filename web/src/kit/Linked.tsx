/** An address as it stands in a text; what ends a sentence is no part of it. */
const ADDRESS = /(https?:\/\/[^\s<>]*[^\s<>.,;:!?)])/;

/** A text whose addresses can be followed, as mail programs show plain text. */
export function Linked({ text }: { text: string }) {
  return text.split(ADDRESS).map((part, i) =>
    i % 2 === 1 ? (
      <a key={i} className="choose" href={part} target="_blank" rel="noreferrer">
        {part}
      </a>
    ) : (
      part
    ),
  );
}
