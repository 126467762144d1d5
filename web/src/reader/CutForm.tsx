import { useState } from "react";
import { Link } from "react-router";
import type { Api } from "../api/client";
import { Fault } from "../kit/Fault";
import { Field, Tick } from "../kit/Field";
import { useEscape } from "../kit/useEscape";
import { words } from "../words";

type Wish = Omit<Api["CutWish"], "cut">;

interface Props {
  /** The one that is changed; none for a new one. */
  kept?: Api["CutView"];
  /** Whether the screen shows something else than what is kept. */
  isChanged: boolean;
  mayShare: boolean;
  /** What hindered it from being kept. */
  error: Error | null;
  save: (wish: Wish) => void;
  /** Only for one that is kept already. */
  remove?: () => void;
  close: () => void;
}

/** What a cut is called, and who else has it. */
export function CutForm({ kept, isChanged, mayShare, error, save, remove, close }: Props) {
  useEscape(close);
  const [wish, setWish] = useState<Wish>(kept ?? { name: "", about: "", shared: false });
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
      {kept && <Followers cut={kept} isChanged={isChanged} />}
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

/** Where it is used, and what keeping or removing it would do there. */
function Followers({ cut, isChanged }: { cut: Api["CutView"]; isChanged: boolean }) {
  const many = cut.followers.length + cut.moreFollow;
  if (many === 0) return <p className="text-quiet">{words.cuts.noFollowers}</p>;
  return (
    <section aria-label={words.cuts.followers(many)}>
      <p className="text-late">
        {words.cuts.followers(many)} {isChanged ? words.cuts.changesThem : words.cuts.renames}{" "}
        {words.cuts.removalLeaves}
      </p>
      <ul>
        {cut.followers.map((each) => (
          <li key={each.id}>
            <Link className="choose" to={`/subscriptions/${each.id}`}>
              {each.name}
            </Link>{" "}
            <span className="text-quiet">{words.cuts.ownedBy(each.owner)}</span>
          </li>
        ))}
        {cut.moreFollow > 0 && <li className="text-quiet">{words.cuts.moreFollow(cut.moreFollow)}</li>}
      </ul>
    </section>
  );
}
