import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { useNotice } from "../kit/Notices";
import { words } from "../words";

/** Reports that were taken out of the library, for those who may put them back. */
export function RemovedReports() {
  const say = useNotice();
  const removed = useRead<Api["RemovedReport"][]>("reports/removed");
  const putBack = useChange((report: Api["RemovedReport"]) =>
    call(`reports/${report.id}/restoration`, { method: "POST" }),
  );
  if (!removed.data || removed.data.length === 0) return null;
  return (
    <section aria-label={words.place.removedReports} className="pt-8">
      <h2 className="border-base-content border-b pb-2 text-lg">{words.place.removedReports}</h2>
      <Fault error={putBack.error} />
      <ul>
        {removed.data.map((report) => (
          <li key={report.id} className="border-base-300 flex justify-between gap-4 border-b py-2">
            {report.title}
            <button
              type="button"
              className="choose"
              aria-label={words.place.putBackNamed(report.title)}
              disabled={putBack.isPending}
              onClick={() =>
                putBack.mutate(report, {
                  onSuccess: () => say({ text: words.place.putBackDone(report.title) }),
                })
              }
            >
              {words.place.putBack}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
