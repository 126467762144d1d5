import { unifiedMergeView } from "@codemirror/merge";
import { EditorState } from "@codemirror/state";
import { EditorView, lineNumbers } from "@codemirror/view";
import { useEffect, useRef, useState } from "react";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { useWhen } from "../kit/when";
import { words } from "../words";

interface Props {
  report: string;
  versions: Api["VersionLine"][];
  /** The text at work, which versions are compared with. */
  text: string;
  takeBack: (text: string) => void;
}

const AT_WORK = "";

/** Earlier versions: any two compared, and an old one taken back into the text at work. */
export function Versions({ report, versions, text, takeBack }: Props) {
  const { moment } = useWhen();
  const [before, setBefore] = useState(String(versions[0]?.no ?? ""));
  const [after, setAfter] = useState(AT_WORK);
  const old = useRead<Api["ReportText"]>(`reports/${report}/versions/${before}`);
  const other = useRead<Api["ReportText"]>(`reports/${report}/versions/${after}`, {
    when: after !== AT_WORK,
  });
  const now = after === AT_WORK ? text : other.data?.yaml;
  const options = versions.map((version) => (
    <option key={version.no} value={version.no}>
      {words.editor.version(version.no, version.by, moment(version.at))}
    </option>
  ));
  return (
    <section aria-label={words.editor.versions} className="border-base-content mt-6 border-t pt-3">
      <h2 className="text-lg">{words.editor.versions}</h2>
      <div className="flex flex-wrap items-end gap-4 py-2">
        <label className="block max-w-full">
          <span className="head">{words.editor.from}</span>
          <select className="fill" value={before} onChange={(event) => setBefore(event.target.value)}>
            {options}
          </select>
        </label>
        <label className="block max-w-full">
          <span className="head">{words.editor.to}</span>
          <select className="fill" value={after} onChange={(event) => setAfter(event.target.value)}>
            <option value={AT_WORK}>{words.editor.atWork}</option>
            {options}
          </select>
        </label>
        <button
          type="button"
          className="act-plain"
          disabled={!old.data || old.data.yaml === text}
          onClick={() => old.data && takeBack(old.data.yaml)}
        >
          {words.editor.takeBack(before)}
        </button>
      </div>
      <Fault error={old.error ?? other.error} />
      {old.data && now !== undefined && <Difference before={old.data.yaml} after={now} />}
    </section>
  );
}

function Difference({ before, after }: { before: string; after: string }) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!place.current || before === after) return;
    const view = new EditorView({
      parent: place.current,
      state: EditorState.create({
        doc: after,
        extensions: [
          lineNumbers(),
          EditorState.readOnly.of(true),
          EditorView.editable.of(false),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ "aria-label": words.editor.difference, tabindex: "0" }),
          EditorView.theme({
            "&": { fontSize: "14px" },
            ".cm-gutters": { backgroundColor: "transparent", color: "var(--color-quiet)" },
          }),
          unifiedMergeView({ original: before, mergeControls: false, collapseUnchanged: { margin: 2 } }),
        ],
      }),
    });
    return () => view.destroy();
  }, [before, after]);
  return before === after ? (
    <p className="text-quiet">{words.editor.same}</p>
  ) : (
    <div ref={place} className="border-base-300 bg-leaf max-h-96 overflow-auto border" />
  );
}
