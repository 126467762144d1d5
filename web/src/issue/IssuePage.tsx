import { useEffect, useRef } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { address, call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { chartWidth } from "../kit/chartWidth";
import { Loaded } from "../kit/Loaded";
import { MailView } from "../kit/MailView";
import { PageTabs } from "../kit/PageTabs";
import { ReportPage } from "../kit/ReportPage";
import { SpineLink } from "../kit/Spine";
import { useWidth } from "../kit/useWidth";
import { usePageTitle } from "../kit/pageTitle";
import { words } from "../words";
import { Colophon } from "./Colophon";

type View = Api["IssueView"];

const PAPER_MARGINS_PX = 58;

/** An issue as it was sent: the kept figures as paper, the mail, the files, and the colophon at the side. */
export function IssuePage() {
  const { id = "" } = useParams();
  const [search, setSearch] = useSearchParams();
  const [width, measure] = useWidth();
  const page = Number(search.get("page") ?? 0);
  const chart = chartWidth(width - PAPER_MARGINS_PX);
  const copy = search.get("copy");
  const asked = `page=${page}&chartWidth=${chart}${copy ? `&copy=${copy}` : ""}`;
  const issue = useRead<View>(`issues/${id}?${asked}`, { when: width > 0 });
  useReadMark(issue.data);
  return (
    <div className="lg:grid lg:grid-cols-[70%_30%]">
      <div ref={measure} className="min-w-0 pb-10 lg:pr-7">
        <Loaded query={issue}>
          {(view) => (
            <>
              <Head view={view} />
              {search.get("face") === "mail" ? (
                <Mail id={view.id} view={view} />
              ) : (
                <Paper view={view} turn={(to) => setSearch({ ...(copy && { copy }), page: String(to) })} />
              )}
            </>
          )}
        </Loaded>
      </div>
      {issue.data && <Colophon view={issue.data} />}
    </div>
  );
}

/** An issue that is on the screen is read; one that is still being loaded is not. */
function useReadMark(shown: View | undefined) {
  const marked = useRef<number>(undefined);
  const { mutate } = useChange((issue: number) =>
    call(`issues/${issue}/read`, { method: "PUT", body: { read: true } }),
  );
  const { id, made } = shown ?? {};
  useEffect(() => {
    if (id !== undefined && made && marked.current !== id) {
      marked.current = id;
      mutate(id);
    }
  }, [id, made, mutate]);
}

function Head({ view }: { view: View }) {
  usePageTitle(view.title);
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const asMail = search.get("face") === "mail";
  const face = (mail: boolean, text: string) => (
    <button
      type="button"
      aria-pressed={asMail === mail}
      className={asMail === mail ? "current" : "choose"}
      onClick={() => setSearch(mail ? { face: "mail" } : {})}
    >
      {text}
    </button>
  );
  const unread = useChange(() => call(`issues/${view.id}/read`, { method: "PUT", body: { read: false } }));
  return (
    <header className="pt-5 pb-3">
      <div className="flex flex-wrap items-end justify-between gap-x-8 gap-y-2">
        <div>
          <p className="text-quiet text-xs">
            {view.mayOpenSubscription ? (
              <Link className="choose" to={`/subscriptions/${view.subscription}`}>
                {view.name}
              </Link>
            ) : (
              view.name
            )}
          </p>
          <h1>{view.title}</h1>
        </div>
        <nav
          aria-label={words.issue.neighbours}
          className="border-base-content flex items-end gap-1 border-b px-2"
        >
          {view.neighbours.map((spine) => (
            <SpineLink key={spine.id} spine={spine} current={spine.id === view.id} width={15} height={30} />
          ))}
        </nav>
      </div>
      <p className="flex flex-wrap items-baseline gap-x-5 gap-y-1 pt-3">
        {face(false, words.issue.asSent)}
        {view.yours?.hasMail && face(true, words.issue.mail)}
        {view.files.map((file) => (
          <a
            key={file.sha256}
            className="choose"
            href={address(fileOf(view, file.sha256))}
            target="_blank"
            rel="noreferrer"
            title={file.name}
          >
            {words.role(file.role)}, {file.size}
          </a>
        ))}
        <span className="ml-auto flex gap-x-5">
          {view.yours && view.made && (
            <button
              type="button"
              className="choose"
              onClick={() => unread.mutate(undefined, { onSuccess: () => void navigate("/") })}
            >
              {words.issue.unread}
            </button>
          )}
          <Step to={view.previous} text={words.issue.previous} />
          <Step to={view.next} text={words.issue.next} />
        </span>
      </p>
    </header>
  );
}

/** A file of the copy that is shown. */
const fileOf = (view: View, sha256: string) => `issues/${view.id}/files/${sha256}?copy=${view.copy}`;

function Step({ to, text }: { to: number | null; text: string }) {
  return to === null ? (
    <span className="text-quiet">{text}</span>
  ) : (
    <Link className="choose" to={`/issues/${to}`}>
      {text}
    </Link>
  );
}

function Paper({ view, turn }: { view: View; turn: (page: number) => void }) {
  if (!view.shown) {
    return <p className="border-base-content bg-leaf border p-8 text-lg">{view.reason}</p>;
  }
  const shown = view.shown;
  return (
    <div className="border-base-content bg-leaf border px-5 pb-4 md:px-7">
      {view.reason && <p className="text-late pt-4">{view.reason}</p>}
      <p className="text-quiet pt-4 pb-3 text-xs">
        {[shown.page.showing, shown.page.freshness].filter(Boolean).join(" · ")}
      </p>
      <PageTabs
        pages={view.pages}
        current={shown.page.id}
        choose={(id) => turn(view.pages.findIndex((page) => page.id === id))}
      />
      <ReportPage view={shown} />
    </div>
  );
}

function Mail({ id, view }: { id: number; view: View }) {
  const mail = useRead<Api["MailView"]>(`issues/${id}/mail`);
  return (
    <Loaded query={mail}>
      {(read) => (
        <MailView
          mail={read}
          source={address(`issues/${id}/mail.eml`)}
          attachment={(name) => {
            const file = view.files.find((each) => each.name === name);
            return file && address(fileOf(view, file.sha256));
          }}
        />
      )}
    </Loaded>
  );
}
