import type { Api } from "../api/client";
import { PageTabs } from "../kit/PageTabs";
import { ReportPage } from "../kit/ReportPage";
import { words } from "../words";

interface Props {
  draft: Api["DraftView"];
  setPage: (page: string) => void;
  setPeriod: (period: string) => void;
}

/** A page of the text at work, with the figures that its writer may see. */
export function Preview({ draft, setPage, setPeriod }: Props) {
  const { period, periods } = draft;
  const isCommon = periods.some((each) => each.code === period.code);
  return (
    <>
      <PageTabs pages={draft.pages} current={draft.page} choose={setPage} />
      <label className="block pt-2 text-sm">
        {words.editor.showing}{" "}
        <select
          className="choose bg-transparent"
          value={period.code}
          onChange={(event) => setPeriod(event.target.value)}
        >
          {(isCommon ? periods : [period, ...periods]).map((each) => (
            <option key={each.code} value={each.code}>
              {each.words}
            </option>
          ))}
        </select>
      </label>
      <ReportPage view={draft.shown} />
    </>
  );
}
