import { useDeferredValue, useState } from "react";
import { address, type Api } from "../api/client";
import { useRead } from "../api/use";
import { Field } from "../kit/Field";
import { Heads } from "../kit/Heads";
import { Loaded } from "../kit/Loaded";
import { Pick } from "../kit/Pick";
import { useWhen } from "../kit/when";
import { words } from "../words";

type Line = Api["AuditLine"];

const NO_SEARCH = { words: "", person: "", from: "", to: "" };

/** Who did what, when, from where: searched by words, person and days, exported as it is found. */
export function AuditPart() {
  const [search, setSearch] = useState(NO_SEARCH);
  const [before, setBefore] = useState<number[]>([]);
  const people = useRead<Api["PersonView"][]>("people");
  const asked = useDeferredValue(search);
  const older = before.slice(-1).map((id) => ["olderThan", `${id}`]);
  const page = useRead<Api["AuditPage"]>(`audit?${query([...Object.entries(asked), ...older])}`);
  const look = (wish: Partial<typeof NO_SEARCH>) => {
    setSearch({ ...search, ...wish });
    setBefore([]);
  };
  return (
    <>
      <form
        role="search"
        aria-label={words.audit.search}
        className="flex flex-wrap items-end gap-x-6 gap-y-3 py-4"
        onSubmit={(event) => event.preventDefault()}
      >
        <Field
          label={words.audit.words}
          type="search"
          value={search.words}
          onChange={(e) => look({ words: e.target.value })}
          className="w-64"
        />
        <Pick
          label={words.audit.person}
          none={words.audit.anybody}
          all={people.data ?? []}
          value={search.person}
          pick={(person) => look({ person })}
        />
        {(["from", "to"] as const).map((end) => (
          <Field
            key={end}
            label={words.audit[end]}
            type="date"
            value={search[end]}
            onChange={(e) => look({ [end]: e.target.value })}
            className="w-40"
          />
        ))}
        <a className="act-plain ml-auto" href={address(`audit.csv?${query(Object.entries(asked))}`)} download>
          {words.audit.csv}
        </a>
      </form>
      <Loaded query={page}>
        {({ lines, more }) => (
          <>
            {lines.length === 0 ? (
              <p className="text-quiet py-4">{words.audit.none}</p>
            ) : (
              <Lines lines={lines} />
            )}
            <p className="border-base-content flex gap-6 border-t py-3">
              {before.length > 0 && (
                <button type="button" className="choose" onClick={() => setBefore(before.slice(0, -1))}>
                  {words.audit.newer}
                </button>
              )}
              {more &&
                lines.slice(-1).map((oldest) => (
                  <button
                    key={oldest.id}
                    type="button"
                    className="choose"
                    onClick={() => setBefore([...before, oldest.id])}
                  >
                    {words.audit.older}
                  </button>
                ))}
            </p>
          </>
        )}
      </Loaded>
    </>
  );
}

function query(values: string[][]) {
  return new URLSearchParams(values.filter(([, value]) => value !== "")).toString();
}

function Lines({ lines }: { lines: Line[] }) {
  const { moment } = useWhen();
  return (
    <table className="stacks w-full" aria-label={words.house.names.audit}>
      <Heads names={words.audit.heads} />
      <tbody>
        {lines.map((line) => (
          <tr key={line.id} className="border-base-300 border-t align-top">
            <td className="text-quiet py-2 pr-6 whitespace-nowrap">{moment(line.at)}</td>
            <td className="py-2 pr-6">{line.who}</td>
            <td className="py-2 pr-6">
              {line.act} {line.thing !== line.who && <b className="break-words">{line.thing}</b>}
              <Change before={line.before} after={line.after} />
            </td>
            <td className="text-quiet py-2">{line.from}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Change({ before, after }: { before: string; after: string }) {
  if (!before && !after) return null;
  return (
    <span className="text-quiet block max-w-prose text-sm break-words">
      {before && (
        <span className="block">
          {words.audit.before} <del>{before}</del>
        </span>
      )}
      {after && (
        <span className="block">
          {before && words.audit.after} {after}
        </span>
      )}
    </span>
  );
}
