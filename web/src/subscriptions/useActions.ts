import { useNavigate } from "react-router";
import type { Api } from "../api/client";
import { useChange, usePostOnce } from "../api/use";
import { useNotice } from "../kit/Notices";
import { words } from "../words";

type Line = Api["SubscriptionLine"];
type Act = "start" | "pause" | "resume" | "end" | "try" | "send";

/** What can be done with a kept subscription from wherever it is listed. */
export function useActions(line: Line) {
  const say = useNotice();
  const navigate = useNavigate();
  const path = `subscriptions/${line.id}`;
  const postOnce = usePostOnce();
  const act = useChange(({ act, because }: { act: Act; because?: string }) =>
    postOnce<Api["RunMade"]>(`${path}/${act}`, act === "pause" ? { because: because ?? "" } : undefined),
  );
  const openRun = (run: Api["RunMade"] | undefined) => {
    if (run) void navigate(`/runs/${run.id}`);
  };
  return {
    error: act.error,
    busy: act.isPending,
    start: () =>
      act.mutate({ act: "start" }, { onSuccess: () => say({ text: words.act.started(line.name) }) }),
    pause: (because: string) =>
      act.mutate(
        { act: "pause", because },
        {
          onSuccess: () =>
            say({ text: words.act.paused(line.name), undo: () => act.mutate({ act: "resume" }) }),
        },
      ),
    resume: () =>
      act.mutate({ act: "resume" }, { onSuccess: () => say({ text: words.act.resumed(line.name) }) }),
    end: () => act.mutate({ act: "end" }, { onSuccess: () => say({ text: words.act.ended(line.name) }) }),
    attempt: () => act.mutate({ act: "try" }, { onSuccess: openRun }),
    send: () => act.mutate({ act: "send" }, { onSuccess: openRun }),
  };
}
