import { useState } from "react";
import type { Api } from "../api/client";
import { Fault } from "../kit/Fault";
import { Field, Tick } from "../kit/Field";
import { words } from "../words";

type Wish = Omit<Api["CutWish"], "cut">;

interface Props {
  first: Wish;
  mayShare: boolean;
  /** What hindered it from being kept. */
  error: Error | null;
  save: (wish: Wish) => void;
  /** Only for one that is kept already. */
  remove?: () => void;
  close: () => void;
}

/** What a cut is called, and who else has it. */
export function CutForm({ first, mayShare, error, save, remove, close }: Props) {
  const [wish, setWish] = useState(first);
  return (
    <form
      aria-label={words.cuts.form}
      className="border-base-content bg-leaf mt-2 space-y-3 border p-4"
      onSubmit={(event) => {
        event.preventDefault();
        save(wish);
      }}
    >
      <div className="flex flex-wrap gap-4">
        <Field
          label={words.cuts.name}
          required
          maxLength={120}
          value={wish.name}
          onChange={(event) => setWish({ ...wish, name: event.target.value })}
          className="w-72 max-w-full"
        />
        <Field
          label={words.cuts.about}
          maxLength={500}
          value={wish.about}
          onChange={(event) => setWish({ ...wish, about: event.target.value })}
          className="min-w-0 grow basis-72"
        />
      </div>
      <Tick
        label={mayShare ? words.cuts.share : words.cuts.noSharing}
        checked={wish.shared}
        disabled={!mayShare}
        change={(shared) => setWish({ ...wish, shared })}
      />
      {error && <Fault error={error} />}
      <p className="flex flex-wrap gap-x-6">
        <button type="submit" className="choose">
          {words.cuts.save}
        </button>
        {remove && (
          <button type="button" className="choose text-error" onClick={remove}>
            {words.cuts.remove}
          </button>
        )}
        <button type="button" className="choose" onClick={close}>
          {words.close}
        </button>
      </p>
    </form>
  );
}
