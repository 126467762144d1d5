import { autocompletion, completionKeymap } from "@codemirror/autocomplete";
import { defaultKeymap, history, historyKeymap } from "@codemirror/commands";
import { yaml } from "@codemirror/lang-yaml";
import { bracketMatching, HighlightStyle, indentOnInput, syntaxHighlighting } from "@codemirror/language";
import { lintGutter, setDiagnostics, type Diagnostic } from "@codemirror/lint";
import { Compartment, EditorState, type Text } from "@codemirror/state";
import { EditorView, keymap, lineNumbers } from "@codemirror/view";
import { tags } from "@lezer/highlight";
import { useEffect, useRef } from "react";
import type { FaultAt } from "../api/client";
import { complete, type MadeOf, type Schema } from "./completion";
import { placeOf } from "./place";

interface Props {
  label: string;
  /** What it begins with; later ones replace all when {@link version} changes. */
  text: string;
  version: number;
  change: (text: string) => void;
  faults: FaultAt[];
  schema: Schema | undefined;
  madeOf: MadeOf;
  /** A line and column to go to, anew with each number. */
  goTo: { field: string; time: number } | null;
}

const look = EditorView.theme({
  "&": { height: "100%", backgroundColor: "transparent", color: "inherit", fontSize: "14px" },
  ".cm-scroller": { fontFamily: "ui-monospace, monospace", lineHeight: "1.5" },
  ".cm-gutters": { backgroundColor: "transparent", color: "var(--color-quiet)", border: "none" },
  "&.cm-focused": { outline: "2px solid currentColor", outlineOffset: "2px" },
  ".cm-content": { caretColor: "currentColor" },
  ".cm-cursor": { borderLeftColor: "currentColor" },
  ".cm-tooltip": {
    backgroundColor: "var(--color-base-100)",
    color: "var(--color-base-content)",
    border: "1px solid var(--color-base-content)",
  },
  ".cm-tooltip-autocomplete ul li[aria-selected]": {
    backgroundColor: "var(--color-primary)",
    color: "var(--color-primary-content)",
  },
});

const colours = HighlightStyle.define([
  {
    tag: [tags.propertyName, tags.definition(tags.propertyName)],
    color: "var(--color-primary)",
    fontWeight: "600",
  },
  { tag: [tags.string, tags.attributeValue], color: "var(--color-info)" },
  { tag: tags.comment, color: "var(--color-quiet)" },
]);

/** Where a fault stands in the text, to the end of its word. */
function diagnostic(doc: Text, fault: FaultAt): Diagnostic {
  const place = placeOf(fault.field);
  const line = doc.line(Math.max(1, Math.min(place.line, doc.lines)));
  const from = Math.min(line.from + place.column - 1, line.to);
  const word = /^[^\s,:{}[\]]+/.exec(doc.sliceString(from, line.to))?.[0].length ?? 1;
  return { from, to: Math.min(from + Math.max(1, word), line.to), severity: "error", message: fault.message };
}

/** A text with line numbers, what is wrong marked where it stands, and completion by the schema (Ctrl+Space). */
export function YamlEditor({ label, text, version, change, faults, schema, madeOf, goTo }: Props) {
  const place = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const completion = useRef(new Compartment());
  const changed = useRef(change);
  useEffect(() => {
    changed.current = change;
  }, [change]);
  useEffect(() => {
    if (!place.current) return;
    const made = new EditorView({
      parent: place.current,
      state: EditorState.create({
        extensions: [
          lineNumbers(),
          history(),
          indentOnInput(),
          bracketMatching(),
          syntaxHighlighting(colours),
          yaml(),
          lintGutter(),
          completion.current.of([]),
          keymap.of([...completionKeymap, ...historyKeymap, ...defaultKeymap]),
          EditorView.contentAttributes.of({ "aria-label": label, tabindex: "0" }),
          EditorView.lineWrapping,
          look,
          EditorView.updateListener.of((update) => {
            if (update.docChanged) changed.current(update.state.doc.toString());
          }),
        ],
      }),
    });
    view.current = made;
    return () => {
      made.destroy();
      view.current = null;
    };
  }, [label]);
  useEffect(() => {
    const made = view.current;
    if (made && made.state.doc.toString() !== text) {
      made.dispatch({ changes: { from: 0, to: made.state.doc.length, insert: text } });
    }
    // what is typed comes back as text; only another version replaces it
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [version]);
  useEffect(() => {
    view.current?.dispatch({
      effects: completion.current.reconfigure(
        schema ? autocompletion({ override: [complete(schema, madeOf)] }) : [],
      ),
    });
  }, [schema, madeOf]);
  useEffect(() => {
    const made = view.current;
    if (made) {
      const { doc } = made.state;
      made.dispatch(
        setDiagnostics(
          made.state,
          faults.map((fault) => diagnostic(doc, fault)),
        ),
      );
    }
  }, [faults]);
  useEffect(() => {
    const made = view.current;
    if (made && goTo) {
      const { from } = diagnostic(made.state.doc, { field: goTo.field, message: "" });
      made.dispatch({ selection: { anchor: from }, scrollIntoView: true });
      made.focus();
    }
  }, [goTo]);
  return (
    <div
      ref={place}
      className="border-base-300 bg-leaf h-[60vh] min-h-80 overflow-hidden border lg:h-[calc(100vh-17rem)]"
    />
  );
}
