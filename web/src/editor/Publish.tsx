import { useQuery } from "@tanstack/react-query";
import { call, type Api } from "../api/client";
import { useChange } from "../api/use";
import { Fault } from "../kit/Fault";
import { Sheet } from "../kit/Sheet";
import { words } from "../words";

interface Props {
  report: string;
  text: string;
  /** The version that it was written from. */
  after: number;
  close: () => void;
  published: () => void;
}

/** What publishing takes from whom, before it is done. */
export function Publish({ report, text, after, close, published }: Props) {
  const losing = useQuery({
    queryKey: ["losses", report, text],
    queryFn: () =>
      call<Api["LosingLine"][]>(`reports/${report}/losses`, { method: "POST", body: { yaml: text } }),
    retry: false,
  });
  const publish = useChange(() =>
    call(`reports/${report}/definition`, { method: "PUT", body: { yaml: text, after } }),
  );
  return (
    <Sheet label={words.editor.publishTitle(after + 1)} close={close}>
      <div className="md:col-span-2">
        <h2>{words.editor.publishTitle(after + 1)}</h2>
        <Fault error={losing.error ?? publish.error} />
        {losing.isPending && <p role="status">{words.loading}</p>}
        {losing.data?.length === 0 && <p>{words.editor.nobodyLoses}</p>}
        {losing.data && losing.data.length > 0 && (
          <>
            <p>{words.editor.loses(losing.data.length)}</p>
            <ul className="pt-2">
              {losing.data.map((each) => (
                <li key={each.id} className="border-base-300 border-t py-2">
                  <b>{each.name}</b> <span className="text-quiet">{each.owner}</span>
                  <span className="block">
                    {words.editor.lost(each.lost.map(({ kind, name }) => words.editor.kinds[kind](name)))}{" "}
                    <span className={each.pauses ? "text-late" : "text-quiet"}>
                      {each.pauses ? words.editor.pauses : words.editor.goesOn}
                    </span>
                  </span>
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
      <div className="flex items-start gap-5">
        <button
          type="button"
          className="act"
          disabled={!losing.data || publish.isPending}
          onClick={() => publish.mutate(undefined, { onSuccess: published })}
        >
          {words.editor.publish}
        </button>
        <button type="button" className="choose" onClick={close}>
          {words.leaveIt}
        </button>
      </div>
    </Sheet>
  );
}
