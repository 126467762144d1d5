import { useState } from "react";
import { Link } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Loaded } from "../kit/Loaded";
import { useNotice } from "../kit/Notices";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { Minded } from "./Minded";
import { SourceForm } from "./SourceForm";

type Source = Api["SourceView"];

/** The databases and watched folders that data sets may come from. */
export function SourcesPart() {
  const sources = useRead<Source[]>("sources");
  const [adding, setAdding] = useState(false);
  return (
    <Loaded query={sources}>
      {(all) => (
        <Minded>
          {all.length === 0 && <p className="border-base-300 border-b py-6">{words.sources.empty}</p>}
          <ul>
            {all.map((source) => (
              <Entry key={source.id} source={source} />
            ))}
          </ul>
          {adding ? (
            <SourceForm close={() => setAdding(false)} />
          ) : (
            <button type="button" className="act mt-4" onClick={() => setAdding(true)}>
              {words.sources.add}
            </button>
          )}
        </Minded>
      )}
    </Loaded>
  );
}

function Entry({ source }: { source: Source }) {
  const say = useNotice();
  const { moment } = useWhen();
  const [editing, setEditing] = useState(false);
  const remove = useChange(() => call(`sources/${source.id}`, { method: "DELETE" }));
  return (
    <li className="border-base-300 border-b py-4">
      <h2 className="text-lg">
        {source.name}{" "}
        <span className="text-quiet font-sans text-xs font-normal">
          {words.sources.kinds[source.kind]}, {source.folderName}
        </span>
      </h2>
      {editing ? (
        <SourceForm source={source} close={() => setEditing(false)} />
      ) : (
        <>
          <p className="break-all">{source.place}</p>
          {source.kind === "DATABASE" && (
            <p className="text-quiet text-sm">
              {words.sources.limits(source.user, source.seconds, source.mostRows)}
            </p>
          )}
          <p className="text-sm">
            {source.usedBy.length === 0 ? words.sources.unused : words.sources.usedBy}{" "}
            {source.usedBy.map((use, i) => (
              <span key={use.id}>
                {i > 0 && ", "}
                <Link className="choose" to={`/data/${use.id}`}>
                  {use.name}
                </Link>
              </span>
            ))}
          </p>
          {source.checkedAt && (
            <p className={`text-sm ${source.failure ? "text-error" : "text-quiet"}`}>
              {source.failure
                ? words.sources.silent(moment(source.checkedAt), source.failure)
                : words.sources.answered(moment(source.checkedAt))}
            </p>
          )}
          <p className="flex gap-5 pt-1 text-sm">
            <button
              type="button"
              className="choose"
              aria-label={words.sources.changeOne(source.name)}
              onClick={() => setEditing(true)}
            >
              {words.sources.change}
            </button>
            <button
              type="button"
              className="choose"
              aria-label={words.sources.removeOne(source.name)}
              onClick={() =>
                remove.mutate(undefined, {
                  onSuccess: () => say({ text: words.sources.removed(source.name) }),
                })
              }
            >
              {words.sources.remove}
            </button>
          </p>
          <Fault error={remove.error} />
        </>
      )}
    </li>
  );
}
