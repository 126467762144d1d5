import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field } from "../kit/Field";
import { Loaded } from "../kit/Loaded";
import { useNotice } from "../kit/Notices";
import { Title } from "../kit/Title";
import { chartWidth } from "../kit/chartWidth";
import { useWidth } from "../kit/useWidth";
import { words } from "../words";
import { ClipBlock } from "./ClipBlock";
import { SentBy } from "./SentBy";

type View = Api["ClippingView"];

/** A page of my own: blocks out of reports, each with its figures as they are now. */
export function ClippingPage() {
  const { id = "" } = useParams();
  const [width, measure] = useWidth();
  const clipping = useRead<View>(`clippings/${id}?chartWidth=${chartWidth(width)}`, { when: width > 0 });
  return (
    <div ref={measure}>
      <Loaded query={clipping}>{(view) => <Kept view={view} />}</Loaded>
    </div>
  );
}

function Kept({ view }: { view: View }) {
  const say = useNotice();
  const navigate = useNavigate();
  const [renaming, setRenaming] = useState(false);
  const path = `clippings/${view.id}`;
  const change = useChange(({ name = view.name, clips }: { name?: string; clips: Api["Clip"][] }) =>
    call<null>(path, { method: "PUT", body: { wish: { name, clips }, version: view.version } }),
  );
  const remove = useChange(() => call<null>(path, { method: "DELETE" }));
  const again = useChange(() =>
    call<Api["ClippingKept"]>("clippings", {
      method: "POST",
      body: { name: view.name, clips: clipsOf(view) },
    }),
  );
  const clips = clipsOf(view);
  const swap = (at: number, other: number) => {
    const next = [...clips];
    [next[at], next[other]] = [next[other] as Api["Clip"], next[at] as Api["Clip"]];
    change.mutate({ clips: next });
  };
  return (
    <>
      <Title
        title={view.name}
        line={words.clippings.mine}
        above={
          <Link className="choose" to="/clippings">
            {words.clippings.title}
          </Link>
        }
        actions={
          <>
            {view.maySubscribe && (
              <Link className="choose" to={`/compose?clipping=${view.id}&once`}>
                {words.clippings.sendOnce}
              </Link>
            )}
            <button type="button" className="choose" onClick={() => setRenaming(!renaming)}>
              {words.clippings.rename}
            </button>
            <button
              type="button"
              className="choose"
              onClick={() =>
                remove.mutate(undefined, {
                  onSuccess: () => {
                    void navigate("/clippings");
                    say({ text: words.clippings.removed(view.name), undo: () => again.mutate(undefined) });
                  },
                })
              }
            >
              {words.clippings.remove}
            </button>
            {view.maySubscribe ? (
              <Link className="act" to={`/compose?clipping=${view.id}`}>
                {words.clippings.subscribe}
              </Link>
            ) : (
              view.clips.length > 0 && (
                <span className="text-quiet text-sm">{words.clippings.mayNotSubscribe}</span>
              )
            )}
          </>
        }
      />
      <SentBy followers={view.followers} />
      {renaming && (
        <Rename
          name={view.name}
          save={(name) => change.mutate({ name, clips }, { onSuccess: () => setRenaming(false) })}
        />
      )}
      <Fault error={change.error ?? remove.error} />
      {view.clips.length === 0 && <p className="border-base-300 border-y py-6">{words.clippings.empty}</p>}
      <div className="grid gap-x-12 lg:grid-cols-2">
        {view.clips.map((clip, i) => (
          <ClipBlock
            key={`${i}.${JSON.stringify(clip.clip)}`}
            view={clip}
            earlier={i > 0 ? () => swap(i, i - 1) : undefined}
            later={i < clips.length - 1 ? () => swap(i, i + 1) : undefined}
            takeOut={() => change.mutate({ clips: clips.filter((_, at) => at !== i) })}
          />
        ))}
      </div>
    </>
  );
}

const clipsOf = (view: View) => view.clips.map(({ clip }) => clip);

function Rename({ name, save }: { name: string; save: (name: string) => void }) {
  const [text, setText] = useState(name);
  return (
    <form
      className="flex flex-wrap items-end gap-4 pb-4"
      onSubmit={(event) => {
        event.preventDefault();
        save(text);
      }}
    >
      <Field
        label={words.clippings.name}
        required
        maxLength={120}
        value={text}
        className="w-72 max-w-full"
        onChange={(event) => setText(event.target.value)}
      />
      <button type="submit" className="choose pb-1">
        {words.cuts.save}
      </button>
    </form>
  );
}
