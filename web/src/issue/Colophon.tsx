import { Link } from "react-router";
import type { Api } from "../api/client";
import { words } from "../words";

/** What a printed book says on its last page: number, dates, versions, checksum; and what became of my copy. */
export function Colophon({ view }: { view: Api["IssueView"] }) {
  return (
    <aside
      aria-label={words.issue.colophon}
      className="bg-base-200 lg:border-base-content min-h-[calc(100vh-56px)] p-5 max-lg:-mx-4 lg:-mr-8 lg:-mb-24 lg:border-l"
    >
      <h2 className="pt-2 pb-2 text-lg">{words.issue.colophon}</h2>
      <dl>
        {view.colophon.map((fact) => (
          <div key={fact.name} className="border-base-300 grid grid-cols-[92px_1fr] border-t py-1.5 text-sm">
            <dt className="text-quiet text-xs leading-6">{fact.name}</dt>
            <dd className="break-words">{fact.value}</dd>
          </div>
        ))}
        {view.files.map((file) => (
          <div
            key={file.sha256}
            className="border-base-300 grid grid-cols-[92px_1fr] border-t py-1.5 text-sm"
          >
            <dt className="text-quiet text-xs leading-6">{words.role(file.role)}</dt>
            <dd className="break-words">{file.size}</dd>
          </div>
        ))}
      </dl>
      {view.yours && (
        <>
          <h3 className="pt-4 font-sans text-sm">{words.issue.yours}</h3>
          <p className="text-sm">{view.yours.words}</p>
        </>
      )}
      {view.run !== null && (
        <p className="pt-3 text-sm">
          <Link className="choose" to={`/runs/${view.run}`}>
            {words.issue.run}
          </Link>
        </p>
      )}
    </aside>
  );
}
