import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { Tick } from "../kit/Field";
import { useNotice } from "../kit/Notices";
import { words } from "../words";

type View = Api["DataSetView"];

/** Which columns say something of a person, so that the house minds to whom they go. */
export function Personal({ view }: { view: View }) {
  const [editing, setEditing] = useState(false);
  return (
    <section aria-label={words.personal.title}>
      <h2 className="border-base-content border-b pb-2 text-lg">{words.personal.title}</h2>
      {editing ? (
        <Editor view={view} close={() => setEditing(false)} />
      ) : (
        <p className="pt-3">
          {view.personal.length === 0 ? words.personal.none : words.personal.some(view.personal)}{" "}
          {view.mayChange && (
            <button type="button" className="choose" onClick={() => setEditing(true)}>
              {words.personal.change}
            </button>
          )}
        </p>
      )}
    </section>
  );
}

function Editor({ view, close }: { view: View; close: () => void }) {
  const say = useNotice();
  const [columns, setColumns] = useState(view.personal);
  const keep = useChange(() =>
    call<null>(`data-sets/${view.line.id}/personal`, { method: "PUT", body: { columns } }),
  );
  return (
    <form
      aria-label={words.personal.title}
      className="space-y-3 pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(undefined, {
          onSuccess: () => {
            say({ text: words.personal.kept });
            close();
          },
        });
      }}
    >
      <p className="text-quiet text-sm">{words.personal.line}</p>
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        {view.columns.map(({ name }) => (
          <Tick
            key={name}
            label={name}
            checked={columns.includes(name)}
            change={(on) => setColumns(on ? [...columns, name] : columns.filter((each) => each !== name))}
          />
        ))}
      </div>
      <p className="flex gap-5">
        <button type="submit" className="act" disabled={keep.isPending}>
          {words.personal.keep}
        </button>
        <button type="button" className="choose" onClick={close}>
          {words.rules.leave}
        </button>
      </p>
      <Fault error={keep.error} />
    </form>
  );
}
