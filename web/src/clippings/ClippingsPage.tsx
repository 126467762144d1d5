import { Link } from "react-router";
import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Loaded } from "../kit/Loaded";
import { Title } from "../kit/Title";
import { words } from "../words";

/** The pages that I have put together from blocks of reports. */
export function ClippingsPage() {
  const clippings = useRead<Api["ClippingName"][]>("clippings");
  return (
    <>
      <Title
        title={words.clippings.title}
        line={words.clippings.line}
        above={
          <Link className="choose" to="/library">
            {words.section.library}
          </Link>
        }
      />
      <Loaded query={clippings}>
        {(all) =>
          all.length === 0 ? (
            <p className="border-base-300 border-y py-6">
              {words.clippings.none}{" "}
              <Link className="choose" to="/library">
                {words.clippings.toReports}
              </Link>
            </p>
          ) : (
            <ul aria-label={words.clippings.title}>
              {all.map((each) => (
                <li
                  key={each.id}
                  className="border-base-300 flex flex-wrap items-baseline gap-x-4 border-b py-3"
                >
                  <Link className="font-serif text-xl font-semibold" to={`/clippings/${each.id}`}>
                    {each.name}
                  </Link>
                  <span className="text-quiet text-xs">
                    {words.clippings.blocks(each.clips, each.reports)}
                  </span>
                </li>
              ))}
            </ul>
          )
        }
      </Loaded>
    </>
  );
}
