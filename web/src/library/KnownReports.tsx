import type { Api } from "../api/client";
import { AskFor } from "../kit/AskFor";
import { words } from "../words";

interface Props {
  known: Api["KnownReport"][];
  folders: Api["FolderView"][];
}

/** Reports that one knows of and may not open; they can be asked for. */
export function KnownReports({ known, folders }: Props) {
  if (known.length === 0) return null;
  return (
    <section aria-labelledby="known" className="pb-8">
      <h2 id="known" className="border-base-content border-b pb-2">
        {words.library.known}
      </h2>
      <p className="text-quiet pt-2">{words.library.knownLine}</p>
      <ul>
        {known.map((report) => (
          <li
            key={report.id}
            className="border-base-300 grid gap-x-6 gap-y-1 border-b py-3 sm:grid-cols-[1fr_auto]"
          >
            <div className="min-w-0">
              <h3 className="text-lg">{report.title}</h3>
              <p>{report.about}</p>
              <p className="text-quiet text-xs">
                {folders.find((folder) => folder.id === report.folder)?.name}
              </p>
            </div>
            <div className="text-sm">
              {report.asked ? (
                <p className="text-quiet">{words.ask.waiting}</p>
              ) : (
                <AskFor report={report.id} title={report.title} wants="SEE" />
              )}
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
