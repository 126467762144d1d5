import { Link, useParams, useSearchParams } from "react-router";
import { address, type Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { PageTabs } from "../kit/PageTabs";
import { AskFor } from "../kit/AskFor";
import { chartWidth } from "../kit/chartWidth";
import { Favourite } from "../kit/Favourite";
import { ReportPage } from "../kit/ReportPage";
import { Title } from "../kit/Title";
import { useCuts } from "../kit/useCuts";
import { useWidth } from "../kit/useWidth";
import { words } from "../words";
import { CutSentence } from "./CutSentence";
import { CutsLine } from "./CutsLine";
import { AS_PUBLISHED, readCut, writeCut, type Cut } from "../kit/cut";
import type { Behind, Live } from "../kit/rows";
import { AskFirst } from "./AskFirst";
import { BehindSheet } from "./BehindSheet";
import { readBehind, withBehind } from "../kit/behind";
import { SubscribedLine } from "./SubscribedLine";
import { TakeAlong } from "./TakeAlong";
import { useSubscribed } from "./useSubscribed";

/** A report to be read: the pages as a numbered line, what it is cut to as a sentence, the page itself. */
export function ReaderPage() {
  const { id = "" } = useParams();
  const [search, setSearch] = useSearchParams();
  const [width, measure] = useWidth();
  const cut = readCut(search);
  // what is changed on the screen stays the change of the kept cut that it was opened from
  const of = (next: URLSearchParams) => {
    const kept = search.get("cut");
    if (kept) next.set("cut", kept);
    return next;
  };
  const query = writeCut(cut);
  query.set("chartWidth", String(chartWidth(width)));
  const report = useRead<Api["ReaderView"]>(`reports/${id}?${query}`, { when: width > 0 });
  const file = (kind: string, block = "") => {
    const asked = writeCut(cut);
    asked.set("kind", kind);
    if (block) asked.set("block", block);
    return address(`reports/${id}/file?${asked}`);
  };
  const cuts = useCuts(Number(id));
  const subscribed = useSubscribed(id);
  const current = cuts.data?.cuts.find((each) => String(each.id) === search.get("cut"));
  const isChanged = current !== undefined && String(writeCut(cut)) !== String(writeCut(current.cut));
  const behind = readBehind(search);
  const show = (what: Behind | null) =>
    setSearch(withBehind(of(writeCut(cut)), what), { replace: what === null });
  const live = (view: Api["ReaderView"]): Live => {
    return {
      file,
      behind: view.showsRows ? show : undefined,
      table: (block) => ({
        rows: {
          report: view.report,
          cut: shownOf(cut, view),
          block,
          layout: cut.tables[block] ?? AS_PUBLISHED,
        },
        lay: (layout) => set({ tables: { ...cut.tables, [block]: layout } }),
      }),
    };
  };
  const set = (change: Partial<Cut>) => setSearch(of(writeCut({ ...cut, ...change })));
  return (
    <div ref={measure}>
      <Loaded query={report}>
        {(view) => (
          <>
            <Title
              title={view.title}
              above={
                <Link className="choose" to="/library">
                  {view.folder}
                </Link>
              }
              line={
                <>
                  {`${view.about} ${capital(view.freshness)}.`}
                  <SubscribedLine lines={subscribed.data ?? []} />
                </>
              }
              actions={
                <>
                  <Favourite report={view.report} title={view.title} favourite={view.favourite} />
                  {view.mayPublish && (
                    <Link className="choose" to={`/reports/${id}/edit`}>
                      {words.editor.edit}
                    </Link>
                  )}
                  {!view.maySubscribe && (
                    <AskFor report={view.report} title={view.title} wants="SUBSCRIBE_SELF" />
                  )}
                  {view.maySubscribe && (
                    <Subscribe id={id} cut={shownOf(cut, view)} kept={isChanged ? undefined : current} />
                  )}
                </>
              }
            />
            {view.warning && (
              <p className="border-late text-late mb-3 border-l-2 py-1 pl-3">{view.warning}</p>
            )}
            {behind && (
              <BehindSheet
                key={JSON.stringify(behind)}
                report={view.report}
                cut={shownOf(cut, view)}
                behind={behind}
                close={() => show(null)}
              />
            )}
            <div className="flex flex-wrap items-baseline justify-between gap-x-8">
              <CutSentence view={view} cut={shownOf(cut, view)} set={set} />
              {cuts.data && (
                <CutsLine
                  report={view.report}
                  cut={{ ...cut, period: periodOf(cut, view) }}
                  cuts={cuts.data}
                  current={current}
                  isChanged={isChanged}
                />
              )}
            </div>
            <div className="border-base-content flex flex-wrap items-baseline justify-between gap-x-8 gap-y-1 border-t pt-2">
              <PageTabs
                pages={view.pages}
                current={view.page}
                ruled={false}
                choose={(page) => set({ page, tables: {} })}
              />
              {view.shown && (
                <TakeAlong
                  key={`${view.report}.${view.page}`}
                  report={view.report}
                  cut={shownOf(cut, view)}
                  page={view.shown.page}
                  file={file}
                />
              )}
            </div>
            <div
              className={report.isPlaceholderData ? "opacity-60" : ""}
              aria-busy={report.isPlaceholderData}
            >
              {view.shown ? (
                <ReportPage view={view.shown} live={live(view)} />
              ) : (
                <AskFirst view={view} cut={cut} change={(filters) => set({ filters })} />
              )}
            </div>
          </>
        )}
      </Loaded>
    </div>
  );
}

/** The report's own where none is asked for. */
const periodOf = (cut: Cut, view: Api["ReaderView"]) => cut.period || view.period.code;

/** What is on the screen, with what the report has of its own. */
const shownOf = (cut: Cut, view: Api["ReaderView"]): Cut => ({
  ...cut,
  page: view.page,
  period: periodOf(cut, view),
});

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

interface SubscribeProps {
  id: string;
  /** What is on the screen. */
  cut: Cut;
  /** The kept cut that is on the screen, unchanged. */
  kept?: Api["CutView"];
}

/** From exactly what is on the screen, or from the report as it was published. */
function Subscribe({ id, cut, kept }: SubscribeProps) {
  const asShown = writeCut(cut);
  asShown.set("report", id);
  if (kept) asShown.set("cut", String(kept.id));
  return (
    <>
      <Link className="choose" to={`/compose?${asShown}&once`}>
        {words.reader.sendOnce}
      </Link>
      <Link className="choose" to={`/compose?report=${id}`}>
        {words.reader.asPublished}
      </Link>
      <Link className="act" to={`/compose?${asShown}`}>
        {words.reader.subscribeToThis}
      </Link>
    </>
  );
}
