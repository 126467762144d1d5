import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field, OneOf } from "../kit/Field";
import { useNotice } from "../kit/Notices";
import { Pick } from "../kit/Pick";
import { words } from "../words";

type Source = Api["SourceView"];
type Wish = Api["SourceWish"];

interface Props {
  /** Changed by it; a new one without. */
  source?: Source;
  close: () => void;
}

const NEW: Omit<Wish, "folder"> = {
  name: "",
  kind: "DATABASE",
  place: "",
  user: "",
  password: null,
  seconds: 60,
  mostRows: 1_000_000,
};

/** A source as it is to be: it can be tried before it is kept. */
export function SourceForm({ source, close }: Props) {
  const say = useNotice();
  const grid = useRead<Api["Grid"]>("grants");
  const [wish, setWish] = useState<Wish>(source ? { ...source, password: null } : { ...NEW, folder: 0 });
  const folders = grid.data?.folders ?? [];
  const folder = wish.folder || (folders[0]?.id ?? 0);
  const { name, kind, place, user, password, seconds, mostRows } = wish;
  const body: Wish = { folder, name, kind, place, user, password, seconds, mostRows };
  const set = (change: Partial<Wish>) => setWish({ ...wish, ...change });
  const keep = useChange(() =>
    call(source ? `sources/${source.id}` : "sources", { method: source ? "PUT" : "POST", body }),
  );
  const test = useChange(() =>
    call(`sources/tests${source ? `?source=${source.id}` : ""}`, { method: "POST", body }),
  );
  const isDatabase = kind === "DATABASE";
  return (
    <form
      aria-label={source ? words.sources.changeOne(source.name) : words.sources.add}
      className="max-w-4xl space-y-4 py-4"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(undefined, {
          onSuccess: () => {
            say({ text: words.sources.kept(name) });
            close();
          },
        });
      }}
    >
      <fieldset className="flex flex-wrap gap-x-6">
        <legend className="head">{words.sources.kind}</legend>
        {(["DATABASE", "FOLDER"] as const).map((each) => (
          <OneOf
            key={each}
            name="kind"
            label={words.sources.kinds[each]}
            checked={kind === each}
            choose={() => set({ kind: each })}
          />
        ))}
      </fieldset>
      <div className="flex flex-wrap gap-4">
        <Field
          label={words.sources.name}
          required
          maxLength={120}
          value={name}
          onChange={(event) => set({ name: event.target.value })}
          className="w-56"
        />
        <Pick
          label={words.sources.folder}
          none={words.data.noFolder}
          all={folders}
          value={String(folder)}
          pick={(id) => set({ folder: Number(id) })}
        />
      </div>
      <Field
        label={isDatabase ? words.sources.address : words.sources.path}
        required
        maxLength={1000}
        placeholder={isDatabase ? "jdbc:postgresql://host:5432/database" : "/srv/incoming"}
        value={place}
        onChange={(event) => set({ place: event.target.value })}
      />
      {isDatabase && (
        <div className="flex flex-wrap gap-4">
          <Field
            label={words.sources.user}
            maxLength={120}
            autoComplete="off"
            value={user}
            onChange={(event) => set({ user: event.target.value })}
            className="w-56"
          />
          <Field
            label={words.sources.password}
            type="password"
            autoComplete="new-password"
            placeholder={source?.hasPassword ? words.sources.passwordKept : ""}
            value={password ?? ""}
            onChange={(event) => set({ password: event.target.value === "" ? null : event.target.value })}
            className="w-56"
          />
          <Field
            label={words.sources.seconds}
            type="number"
            min={1}
            max={600}
            value={seconds}
            onChange={(event) => set({ seconds: Number(event.target.value) })}
            className="w-36"
          />
          <Field
            label={words.sources.mostRows}
            type="number"
            min={1}
            max={2_000_000}
            value={mostRows}
            onChange={(event) => set({ mostRows: Number(event.target.value) })}
            className="w-36"
          />
        </div>
      )}
      <p className="text-quiet text-sm">{isDatabase ? words.sources.readsOnly : words.sources.onlyLooks}</p>
      <Fault error={keep.error ?? test.error} />
      {test.isSuccess && !keep.error && <p role="status">{words.sources.answers}</p>}
      <p className="flex flex-wrap items-center gap-5">
        <button type="submit" className="act" disabled={keep.isPending}>
          {words.sources.keep}
        </button>
        <button
          type="button"
          className="act-plain"
          disabled={test.isPending}
          onClick={() => test.mutate(undefined)}
        >
          {words.sources.test}
        </button>
        <button type="button" className="choose" onClick={close}>
          {words.leaveIt}
        </button>
        {test.isPending && <span role="status">{words.sources.testing}</span>}
      </p>
    </form>
  );
}
