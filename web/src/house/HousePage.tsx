import { Link, useParams } from "react-router";
import { Title } from "../kit/Title";
import { readsHouse, useIsAdministrator, useMe } from "../kit/useSession";
import { words } from "../words";
import { AuditPart } from "./AuditPart";
import { GroupsPart } from "./GroupsPart";
import { PeoplePart } from "./PeoplePart";
import { RequestsPart } from "./RequestsPart";
import { RightsPart } from "./RightsPart";
import { RulesPart } from "./RulesPart";
import { SetAsidePart } from "./SetAsidePart";
import { SourcesPart } from "./SourcesPart";

const PARTS = {
  rights: RightsPart,
  people: PeoplePart,
  groups: GroupsPart,
  sources: SourcesPart,
  requests: RequestsPart,
  rules: RulesPart,
  "set-aside": SetAsidePart,
  audit: AuditPart,
};
type PartName = keyof typeof PARTS;

const NAMES = Object.keys(PARTS) as PartName[];

/** What there is of it for those who manage folders, beside no role. */
const OF_MANAGERS: PartName[] = ["rights", "requests"];

/**
 * What administrators mind and auditors read: rights, people, groups, sources, requests, house rules, the audit trail; and
 * what those mind who manage folders.
 */
export function HousePage() {
  const { part } = useParams();
  const me = useMe();
  const names = readsHouse(me) ? NAMES : OF_MANAGERS;
  const current = names.find((name) => name === part) ?? "rights";
  const Part = PARTS[current];
  const mayChange = useIsAdministrator();
  return (
    <>
      <Title title={words.section.house} line={words.house.lines[current]} />
      <nav
        aria-label={words.house.parts}
        className="border-base-content flex flex-wrap gap-x-6 gap-y-1 border-b pb-3"
      >
        {names.map((name) => (
          <Link
            key={name}
            to={`/house/${name}`}
            aria-current={name === current ? "page" : undefined}
            className={name === current ? "current" : "choose"}
          >
            {words.house.names[name]}
          </Link>
        ))}
      </nav>
      {!mayChange && (
        <p className="text-quiet pt-3">{readsHouse(me) ? words.house.readOnly : words.house.managed}</p>
      )}
      <Part />
    </>
  );
}
