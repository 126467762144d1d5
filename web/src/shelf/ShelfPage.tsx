import { Link, useSearchParams } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Choices } from "../kit/Choices";
import { Loaded } from "../kit/Loaded";
import { Legend } from "../kit/Spine";
import { Title } from "../kit/Title";
import { words } from "../words";
import { ShelfRows } from "./ShelfRows";

type View = Api["ShelfView"];

const SCOPES = ["ALL", "PUT_FOR_ME", "CHOSEN_BY_ME"] as const;
const SPANS = [28, 91, 365];

/** The shelf: what is new in one sentence, and every subscription's issues along a common time axis. */
export function ShelfPage() {
  const [search, setSearch] = useSearchParams();
  const scope = SCOPES.find((each) => each === search.get("scope")) ?? "ALL";
  const days = SPANS.find((each) => String(each) === search.get("days")) ?? 91;
  const tight = search.get("rows") === "tight";
  const set = (name: string, value: string | number) =>
    setSearch(
      (before) => {
        before.set(name, String(value));
        return before;
      },
      { replace: true },
    );
  const shelf = useRead<View>(`shelf?scope=${scope}&days=${days}`, { every: 10_000 });
  return (
    <Loaded query={shelf}>
      {(view) => (
        <>
          <Title
            title={<News phrases={view.news} />}
            name={words.section.shelf}
            actions={
              <Link className="act" to="/compose">
                {words.newSubscription}
              </Link>
            }
          />
          <p className="flex flex-wrap items-baseline gap-x-3 gap-y-1 pb-2">
            <Choices
              label={words.shelf.scope}
              choices={SCOPES.map((value) => ({ value, text: words.shelf.scopes[value] }))}
              current={scope}
              choose={(value) => set("scope", value)}
            />
            <span aria-hidden className="max-md:hidden">
              —
            </span>
            <Choices
              label={words.shelf.span}
              choices={SPANS.map((value) => ({ value, text: words.shelf.spans[value] ?? "" }))}
              current={days}
              choose={(value) => set("days", value)}
            />
            <span className="text-quiet text-xs max-md:hidden">
              {words.shelf.rows}{" "}
              <Choices
                label={words.shelf.rows}
                choices={[
                  { value: "roomy", text: words.shelf.roomy },
                  { value: "tight", text: words.shelf.tight },
                ]}
                current={tight ? "tight" : "roomy"}
                choose={(value) => set("rows", value)}
              />
            </span>
          </p>
          {view.rows.length === 0 ? <Empty scope={scope} /> : <ShelfRows view={view} tight={tight} />}
          <footer className="flex flex-wrap justify-between gap-x-8 gap-y-3 pt-10">
            <Legend />
            <p className="text-quiet text-xs max-md:hidden">{words.shelf.keys}</p>
          </footer>
        </>
      )}
    </Loaded>
  );
}

function News({ phrases }: { phrases: View["news"] }) {
  return (
    <span className="block max-w-4xl text-2xl leading-snug">
      {phrases.map((phrase, i) =>
        phrase.issue === null ? (
          <span key={i}>{phrase.text}</span>
        ) : (
          <Link key={i} className="choose" to={`/issues/${phrase.issue}`}>
            {phrase.text}
          </Link>
        ),
      )}
    </span>
  );
}

function Empty({ scope }: { scope: (typeof SCOPES)[number] }) {
  return (
    <p className="border-base-300 border-y py-8">
      {words.shelf.empty[scope]}{" "}
      <Link className="choose" to="/library">
        {words.shelf.toLibrary}
      </Link>
    </p>
  );
}
