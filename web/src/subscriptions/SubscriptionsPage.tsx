import { Link, useSearchParams } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Choices } from "../kit/Choices";
import { Loaded } from "../kit/Loaded";
import { Title } from "../kit/Title";
import { useSetAside } from "../kit/useSetAside";
import { useWhen } from "../kit/when";
import { words } from "../words";
import { Row } from "./Row";

type Line = Api["SubscriptionLine"];

const STATES = ["ANY", "ACTIVE", "PAUSED", "DRAFT", "ENDED"] as const;
const OWNERS = ["ALL", "MINE"] as const;

/** Every subscription that I may see, as sentences. */
export function SubscriptionsPage() {
  const { moment } = useWhen();
  const [search, setSearch] = useSearchParams();
  const state = STATES.find((each) => each === search.get("state")) ?? "ANY";
  const owner = OWNERS.find((each) => each === search.get("owner")) ?? "ALL";
  const set = (name: string, value: string) =>
    setSearch(
      (before) => {
        before.set(name, value);
        return before;
      },
      { replace: true },
    );
  const list = useRead<Line[]>("subscriptions", { every: 15_000 });
  const stuck = useSetAside().data?.filter((item) => item.kind === "BOOK") ?? [];
  return (
    <Loaded query={list}>
      {(lines) => {
        const shown = lines.filter(
          (line) => (state === "ANY" || line.state === state) && (owner === "ALL" || line.mine),
        );
        const next = lines
          .filter((line) => !stuck.some((item) => item.subscription === line.id))
          .flatMap((line) => (line.nextDue ? [line.nextDue] : []))
          .sort()
          .at(0);
        return (
          <>
            <Title
              title={words.section.subscriptions}
              line={words.subscriptions.line(lines.length, count(lines), next ? moment(next) : "")}
              actions={
                <Link className="act" to="/compose">
                  {words.newSubscription}
                </Link>
              }
            />
            <p className="flex flex-wrap gap-x-5 gap-y-1 pb-3">
              <span>{words.subscriptions.showing}</span>
              <Choices
                label={words.subscriptions.owner}
                choices={OWNERS.map((value) => ({ value, text: words.subscriptions.owners[value] }))}
                current={owner}
                choose={(value) => set("owner", value)}
              />
              <span aria-hidden className="max-md:hidden">
                —
              </span>
              <Choices
                label={words.subscriptions.state}
                choices={STATES.map((value) => ({ value, text: words.subscriptions.states[value] }))}
                current={state}
                choose={(value) => set("state", value)}
              />
            </p>
            <ul className="border-base-content border-t" aria-label={words.section.subscriptions}>
              {shown.map((line) => (
                <Row key={line.id} line={line} />
              ))}
              {shown.length === 0 && (
                <li className="py-6">
                  {lines.length === 0 ? words.subscriptions.empty : words.subscriptions.noneSo}{" "}
                  <Link className="choose" to="/library">
                    {words.shelf.toLibrary}
                  </Link>
                </li>
              )}
            </ul>
          </>
        );
      }}
    </Loaded>
  );
}

function count(lines: Line[]): string[] {
  return STATES.filter((state) => state !== "ANY")
    .map((state) => ({ state, many: lines.filter((line) => line.state === state).length }))
    .filter(({ many }) => many > 0)
    .map(({ state, many }) => words.subscriptions.count(many, words.subscriptions.states[state]));
}
