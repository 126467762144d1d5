import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { useNotice } from "../kit/Notices";
import { Title } from "../kit/Title";
import { chartWidth } from "../kit/chartWidth";
import { useWidth } from "../kit/useWidth";
import { words } from "../words";
import { Faults } from "./Faults";
import { PlaceSheet } from "./PlaceSheet";
import { Preview } from "./Preview";
import { Publish } from "./Publish";
import { TakeText } from "./TakeText";
import { Versions } from "./Versions";
import { YamlEditor } from "./YamlEditor";
import type { MadeOf, Schema } from "./completion";
import { faultsOf } from "./place";

const TYPING = 120;

interface Props {
  /** Of a report that there is. */
  id?: string;
  view?: Api["DefinitionView"];
  /** What a new one begins with. */
  begin?: string;
  folder: number;
}

/** The text at one side, the page as it will be at the other, and publishing it. */
export function Writing({ id, view, begin: first, folder }: Props) {
  const navigate = useNavigate();
  const say = useNotice();
  // what it was written from: another's version that comes in meanwhile must not pass for it
  const [base, setBase] = useState({ yaml: view?.yaml ?? "", version: view?.version ?? 0 });
  const [text, setText] = useState(view?.yaml ?? first ?? "");
  const [version, setVersion] = useState(1);
  const [page, setPage] = useState("");
  const [period, setPeriod] = useState<string | null>(null);
  const [goTo, setGoTo] = useState<{ field: string; time: number } | null>(null);
  const [publishing, setPublishing] = useState(false);
  const [placing, setPlacing] = useState(false);
  const [comparing, setComparing] = useState(false);
  const [width, measure] = useWidth();
  const settled = useSettled(text);
  const madeOf = useRead<MadeOf>(`reports/data-sets?folder=${folder}`);
  const schema = useQuery({
    queryKey: ["report.schema.json"],
    queryFn: async () => (await (await fetch("/report.schema.json")).json()) as Schema,
    staleTime: Infinity,
  });
  const wish = { folder, yaml: settled, page, period, chartWidth: chartWidth(width) };
  const draft = useQuery({
    queryKey: ["draft", wish],
    queryFn: ({ signal }) => call<Api["DraftView"]>("reports/drafts", { method: "POST", body: wish, signal }),
    placeholderData: keepPreviousData,
    enabled: width > 0,
    retry: false,
  });
  const [seen, setSeen] = useState<Api["DraftView"] | null>(null);
  if (draft.data && draft.data !== seen) setSeen(draft.data);
  const publishAnew = useChange(() =>
    call<Api["ReportMade"]>("reports", { method: "POST", body: { folder, yaml: text } }),
  );
  const isChanged = text !== base.yaml;
  const replace = (next: string) => {
    setText(next);
    setVersion(version + 1);
  };
  return (
    <>
      <Title
        above={
          <Link className="choose" to={id ? `/reports/${id}` : "/library"}>
            {view?.folderName ?? words.section.library}
          </Link>
        }
        title={seen?.title ?? words.editor.anew}
        line={view ? words.editor.line(base.version, isChanged) : words.editor.newLine}
        actions={
          <>
            <TakeText
              take={(taken, file) => {
                replace(taken);
                say({ text: words.editor.taken(file), undo: () => replace(text) });
              }}
            />
            {view && (
              <button type="button" className="choose" onClick={() => setPlacing(true)}>
                {words.place.open}
              </button>
            )}
            {view && view.versions.length > 0 && (
              <button
                type="button"
                className="choose"
                aria-expanded={comparing}
                onClick={() => setComparing(!comparing)}
              >
                {words.editor.versions}
              </button>
            )}
            <button
              type="button"
              className="act"
              disabled={draft.isError || settled !== text || (view && !isChanged) || publishAnew.isPending}
              onClick={() =>
                id
                  ? setPublishing(true)
                  : publishAnew.mutate(undefined, {
                      onSuccess: (made) => {
                        say({ text: words.editor.published });
                        void navigate(`/reports/${made.id}`);
                      },
                    })
              }
            >
              {words.editor.publish}
            </button>
          </>
        }
      />
      <Fault error={publishAnew.error} />
      <div className="grid items-start gap-8 lg:grid-cols-2">
        <div className="min-w-0 lg:sticky lg:top-4">
          <YamlEditor
            label={words.editor.text}
            text={text}
            version={version}
            change={setText}
            faults={faultsOf(draft.error)}
            schema={schema.data}
            madeOf={madeOf.data ?? []}
            goTo={goTo}
          />
          <Faults error={draft.error} goTo={(field) => setGoTo({ field, time: (goTo?.time ?? 0) + 1 })} />
        </div>
        <div ref={measure} className="min-w-0" aria-busy={draft.isFetching}>
          {seen && draft.isError && (
            <p className="border-late text-late mb-2 border-l-2 pl-3">{words.editor.stale}</p>
          )}
          {seen && <Preview draft={seen} setPage={setPage} setPeriod={setPeriod} />}
        </div>
      </div>
      {comparing && id && view && (
        <Versions report={id} versions={view.versions} text={text} takeBack={replace} />
      )}
      {placing && id && view && (
        <PlaceSheet report={Number(id)} title={seen?.title ?? ""} close={() => setPlacing(false)} />
      )}
      {publishing && id && view && (
        <Publish
          report={id}
          text={text}
          after={base.version}
          close={() => setPublishing(false)}
          published={() => {
            setBase({ yaml: text, version: base.version + 1 });
            setPublishing(false);
            say({ text: words.editor.published });
          }}
        />
      )}
    </>
  );
}

/** A text once nothing has been typed for a moment. */
function useSettled(text: string): string {
  const [settled, setSettled] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(text), TYPING);
    return () => clearTimeout(timer);
  }, [text]);
  return settled;
}
