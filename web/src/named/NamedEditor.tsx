import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { Field, OneOf } from "../kit/Field";
import type { Named } from "../kit/named";
import { Pick } from "../kit/Pick";
import { words } from "../words";
import { ColumnFields } from "./ColumnFields";
import { useTrial } from "./useTrial";

type Value = Api["NamedValue"];

const KINDS: Value["kind"][] = ["CONSTANT", "FORMULA", "FIRST", "DISTINCT"];

const EMPTY: Value = {
  name: "",
  kind: "CONSTANT",
  values: [],
  formula: "",
  dataSet: null,
  column: "",
  fallback: [],
  separator: ", ",
  lastWord: "and",
};

interface Props {
  folders: Api["FolderView"][];
  /** The one that is changed; none for a new one. */
  kept?: Named;
  close: () => void;
}

/** Defines a named value; what it comes to is shown at every stroke, and it is kept only once it comes to something. */
export function NamedEditor({ folders, kept, close }: Props) {
  const [folder, setFolder] = useState(kept?.folder ?? folders[0]?.id ?? 0);
  const [value, setValue] = useState<Value>(kept?.named ?? EMPTY);
  const wish = { folder, named: value };
  const trial = useTrial(wish);
  const save = useChange(() =>
    kept
      ? call<null>(`named-values/${kept.id}`, { method: "PUT", body: { wish, version: kept.version } })
      : call<null>("named-values", { method: "POST", body: wish }),
  );
  const set = (part: Partial<Value>) => setValue({ ...value, ...part });
  return (
    <form
      aria-label={words.named.form}
      className="border-base-content bg-leaf my-3 space-y-4 border p-4"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(undefined, { onSuccess: close });
      }}
    >
      <div className="flex flex-wrap gap-4">
        <Field
          label={words.named.name}
          required
          maxLength={120}
          value={value.name}
          className="w-72 max-w-full"
          onChange={(event) => set({ name: event.target.value })}
        />
        <Pick
          label={words.named.folder}
          none={words.named.noFolder}
          all={folders}
          value={String(folder || "")}
          pick={(id) => setFolder(Number(id))}
        />
      </div>
      <fieldset className="flex flex-wrap gap-x-6 gap-y-2">
        <legend className="head">{words.named.from}</legend>
        {KINDS.map((kind) => (
          <OneOf
            key={kind}
            name="kind"
            label={words.named.kinds[kind]}
            checked={value.kind === kind}
            choose={() => set({ kind, ...(isOfColumn(kind) ? {} : { dataSet: null, column: "" }) })}
          />
        ))}
      </fieldset>
      {value.kind === "CONSTANT" && (
        <Lines label={words.named.values} values={value.values} change={(values) => set({ values })} />
      )}
      {value.kind === "FORMULA" && (
        <div>
          <Field
            label={words.named.formula}
            value={value.formula}
            maxLength={2000}
            spellCheck={false}
            aria-describedby="formula-hint"
            className="font-mono"
            onChange={(event) => set({ formula: event.target.value })}
          />
          <p id="formula-hint" className="text-quiet text-sm">
            {words.named.formulaHint}
          </p>
        </div>
      )}
      {isOfColumn(value.kind) && (
        <ColumnFields
          dataSet={value.dataSet}
          column={value.column}
          change={(dataSet, column) => set({ dataSet, column })}
        />
      )}
      <div className="flex flex-wrap gap-4">
        <Lines
          label={words.named.fallback}
          values={value.fallback}
          change={(fallback) => set({ fallback })}
        />
        <Field
          label={words.named.separator}
          value={value.separator}
          maxLength={20}
          className="w-32"
          onChange={(event) => set({ separator: event.target.value })}
        />
        <Field
          label={words.named.lastWord}
          value={value.lastWord}
          maxLength={20}
          className="w-40"
          onChange={(event) => set({ lastWord: event.target.value })}
        />
      </div>
      <div role="status" aria-live="polite">
        {trial.data && <p>{words.named.comesTo(trial.data)}</p>}
        {trial.error && <Fault error={trial.error} />}
      </div>
      <Fault error={save.error} />
      <p className="flex items-center gap-x-6">
        <button type="submit" className="act" disabled={!trial.data?.values.length || save.isPending}>
          {words.named.keep}
        </button>
        <button type="button" className="choose" onClick={close}>
          {words.close}
        </button>
      </p>
    </form>
  );
}

const isOfColumn = (kind: Value["kind"]) => kind === "FIRST" || kind === "DISTINCT";

interface LinesProps {
  label: string;
  values: string[];
  change: (values: string[]) => void;
}

/** Values, one on each line. */
function Lines({ label, values, change }: LinesProps) {
  const [text, setText] = useState(values.join("\n"));
  return (
    <label className="block w-72 max-w-full">
      <span className="head">{label}</span>
      <textarea
        className="fill min-h-16 py-2"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          change(
            event.target.value
              .split("\n")
              .map((line) => line.trim())
              .filter((line) => line !== ""),
          );
        }}
      />
    </label>
  );
}
