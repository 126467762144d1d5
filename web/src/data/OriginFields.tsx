import type { Api } from "../api/client";
import { Field, OneOf } from "../kit/Field";
import { Pick } from "../kit/Pick";
import { words } from "../words";
import type { Plan } from "./rows";

type Kind = Plan["origin"]["kind"];

const KINDS: Kind[] = ["SENT", "FOLDER", "QUERY"];

/** Whether people send files, or a folder or a database is asked. */
export function KindOfOrigin({ kind, choose }: { kind: Kind; choose: (kind: Kind) => void }) {
  return (
    <fieldset className="flex flex-wrap gap-x-6">
      <legend className="head">{words.data.from}</legend>
      {KINDS.map((each) => (
        <OneOf
          key={each}
          name="origin"
          label={words.data.origins[each]}
          checked={kind === each}
          choose={() => choose(each)}
        />
      ))}
    </fieldset>
  );
}

interface Props {
  origin: Plan["origin"];
  sources: Api["SourceView"][];
  change: (origin: Plan["origin"]) => void;
}

/** Which source, and what it is asked for. */
export function OriginFields({ origin, sources, change }: Props) {
  const fitting = sources.filter(
    (source) => source.kind === (origin.kind === "QUERY" ? "DATABASE" : "FOLDER"),
  );
  if (fitting.length === 0) return <p className="text-late">{words.data.noSources[origin.kind]}</p>;
  return (
    <>
      <Pick
        label={words.data.source}
        none={words.data.noSource}
        all={fitting}
        value={String(origin.source ?? "")}
        pick={(id) => change({ ...origin, source: id === "" ? null : Number(id) })}
      />
      {origin.kind === "QUERY" ? (
        <div>
          <label className="block">
            <span className="head">{words.data.query}</span>
            <textarea
              className="fill min-h-32 py-2 font-mono text-sm"
              spellCheck={false}
              aria-describedby="query-hint"
              value={origin.ask}
              onChange={(event) => change({ ...origin, ask: event.target.value })}
            />
          </label>
          <p id="query-hint" className="text-quiet text-sm">
            {words.data.queryHint}
          </p>
        </div>
      ) : (
        <Field
          label={words.data.fileName}
          value={origin.ask}
          maxLength={200}
          placeholder="sailings-*.csv"
          onChange={(event) => change({ ...origin, ask: event.target.value })}
          className="w-64"
        />
      )}
    </>
  );
}
