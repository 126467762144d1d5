interface Choice<T> {
  value: T;
  text: string;
}

interface Props<T> {
  /** What is chosen among, for those who do not see it. */
  label: string;
  choices: Choice<T>[];
  current: T;
  choose: (value: T) => void;
}

/** Choices as words in a line: what is current is bold, what can be chosen is underlined. */
export function Choices<T extends string | number>({ label, choices, current, choose }: Props<T>) {
  return (
    <span role="group" aria-label={label} className="inline-flex flex-wrap items-baseline gap-x-2 gap-y-1">
      {choices.map((choice, i) => (
        <span key={choice.value} className="inline-flex gap-x-2">
          <button
            type="button"
            aria-pressed={choice.value === current}
            className={choice.value === current ? "current" : "choose"}
            onClick={() => choose(choice.value)}
          >
            {choice.text}
          </button>
          {i < choices.length - 1 && <span aria-hidden>·</span>}
        </span>
      ))}
    </span>
  );
}
