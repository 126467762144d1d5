import { useState } from "react";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { OneOf } from "../kit/Field";
import { useNotice } from "../kit/Notices";
import { words } from "../words";
import { Confirm } from "./Confirm";
import { DropFile } from "./DropFile";

/** Sending a file, whose rows take the place of those before or are added to them. */
export function SendFile({ view }: { view: Api["DataSetView"] }) {
  const say = useNotice();
  const [mode, setMode] = useState<"REPLACE" | "APPEND">("REPLACE");
  const [dates, setDates] = useState("");
  const load = useChange(({ file, confirmed }: { file: File; confirmed: boolean }) =>
    call<Api["LoadView"]>(
      `data-sets/${view.line.id}/loads?${new URLSearchParams({ mode, ...(dates && { dates }), ...(confirmed && { confirmed: "true" }) })}`,
      { method: "POST", file },
    ),
  );
  const [file, setFile] = useState<File | null>(null);
  const take = (next: File, confirmed = false) => {
    setFile(next);
    load.mutate(
      { file: next, confirmed },
      { onSuccess: (made) => say({ text: words.data.loaded(made.rows) }) },
    );
  };
  return (
    <div className="space-y-3 pt-3" aria-busy={load.isPending}>
      <fieldset className="flex flex-wrap gap-x-6">
        <legend className="sr-only">{words.data.mode}</legend>
        {(["REPLACE", "APPEND"] as const).map((each) => (
          <OneOf
            key={each}
            name="mode"
            label={words.data.modes[each]}
            checked={mode === each}
            choose={() => setMode(each)}
          />
        ))}
      </fieldset>
      <label className="block text-sm">
        {words.data.daysAre}{" "}
        <select
          className="choose bg-transparent"
          value={dates}
          onChange={(event) => setDates(event.target.value)}
        >
          <option value="">{words.data.daysFound}</option>
          {Object.entries(words.data.dateForms).map(([form, text]) => (
            <option key={form} value={form}>
              {text}
            </option>
          ))}
        </select>
      </label>
      <DropFile label={words.data.drop} file={file} take={take} />
      {load.isPending && <p role="status">{words.data.loading}</p>}
      <Fault error={load.error} />
      {load.error && file && (
        <button type="button" className="act-plain" onClick={() => take(file)}>
          {words.fault.again}
        </button>
      )}
      {file && <Confirm error={load.error} confirm={() => take(file, true)} />}
    </div>
  );
}
