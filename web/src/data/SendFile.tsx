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
  const [meant, setMeant] = useState({ dates: "", decimalMark: "" });
  const load = useChange(({ file, confirmed }: { file: File; confirmed: boolean }) =>
    call<Api["LoadView"]>(
      `data-sets/${view.line.id}/loads?${new URLSearchParams({
        mode,
        ...(meant.dates && { dates: meant.dates }),
        ...(meant.decimalMark && { decimalMark: meant.decimalMark }),
        ...(confirmed && { confirmed: "true" }),
      })}`,
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
      <Written
        label={words.data.daysAre}
        ways={words.data.dateForms}
        value={meant.dates}
        choose={(dates) => setMeant({ ...meant, dates })}
      />
      <Written
        label={words.data.numbersAre}
        ways={words.data.decimalMarks}
        value={meant.decimalMark}
        choose={(decimalMark) => setMeant({ ...meant, decimalMark })}
      />
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

interface WrittenProps {
  label: string;
  ways: Record<string, string>;
  /** "" for as it is found. */
  value: string;
  choose: (way: string) => void;
}

/** How values are written, for a file that does not tell. */
function Written({ label, ways, value, choose }: WrittenProps) {
  return (
    <label className="block text-sm">
      {label}{" "}
      <select
        className="choose bg-transparent"
        value={value}
        onChange={(event) => choose(event.target.value)}
      >
        <option value="">{words.data.asFound}</option>
        {Object.entries(ways).map(([way, text]) => (
          <option key={way} value={way}>
            {text}
          </option>
        ))}
      </select>
    </label>
  );
}
