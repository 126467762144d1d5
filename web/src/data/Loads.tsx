import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { useNotice } from "../kit/Notices";
import { useWhen } from "../kit/when";
import { words } from "../words";

type View = Api["DataSetView"];
type Attempt = View["attempts"][number];

/** Every try to load a data set, newest first; rows of before, while they are kept, can be put in use again. */
export function Loads({ view }: { view: View }) {
  const { moment, day } = useWhen();
  const say = useNotice();
  const again = useChange((no: number) =>
    call<Api["LoadView"]>(`data-sets/${view.line.id}/loads/${no}/again`, { method: "POST" }),
  );
  const before = (load: NonNullable<Attempt["load"]>) =>
    again.mutate(load.no, {
      onSuccess: (made) => say({ text: words.data.againInUse(made.rows, moment(load.loadedAt)) }),
    });
  return (
    <section aria-label={words.data.loads}>
      <h2 className="border-base-content border-b pb-2 text-lg">{words.data.loads}</h2>
      {view.attempts.length === 0 && <p className="text-quiet py-3">{words.data.notLoaded}</p>}
      <Fault error={again.error} />
      <ol>
        {view.attempts.map((attempt) => (
          <li
            key={attempt.at}
            className="border-base-300 grid gap-x-6 border-b py-2 md:grid-cols-[11rem_1fr_auto]"
          >
            <span>{moment(attempt.at)}</span>
            {attempt.load ? (
              <span>
                {words.data.came(
                  attempt.load.rows,
                  attempt.more,
                  attempt.load.figuresTo ? day(attempt.load.figuresTo) : "",
                )}
                {view.mayChange && attempt.mayReturn && (
                  <button
                    type="button"
                    className="choose ml-4 text-sm"
                    aria-label={words.data.useAgainOf(moment(attempt.at))}
                    disabled={again.isPending}
                    onClick={() => attempt.load && before(attempt.load)}
                  >
                    {words.data.useAgain}
                  </button>
                )}
              </span>
            ) : (
              <span className="text-error">{attempt.failure}</span>
            )}
            <span className="text-quiet text-sm" title={attempt.load?.sha256}>
              {words.data.how(attempt.by, attempt.millis, attempt.load?.sha256.slice(0, 8) ?? "")}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
