import { Link } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { OneOf } from "../kit/Field";
import { Loaded } from "../kit/Loaded";
import { words } from "../words";
import { Minded } from "./Minded";

type Rules = Api["HouseRules"];
const CHOICES: Rules["personal"][] = ["WARN", "MASK", "APPROVE"];

/** What the house wants of everybody. */
export function RulesPart() {
  const rules = useRead<Rules>("house-rules");
  return <Loaded query={rules}>{(all) => <Personal rules={all} />}</Loaded>;
}

/** What happens before personal columns go to others as somebody else sees them, and whom that concerns. */
function Personal({ rules }: { rules: Rules }) {
  const change = useChange((personal: Rules["personal"]) =>
    call<null>("house-rules", { method: "PUT", body: { personal } }),
  );
  const chosen = change.isPending ? change.variables : rules.personal;
  return (
    <section className="max-w-3xl pt-6">
      <Minded>
        <fieldset className="space-y-2">
          <legend className="font-serif text-lg">{words.houseRules.personal}</legend>
          {CHOICES.map((choice) => (
            <div key={choice}>
              <OneOf
                name="personal"
                label={words.houseRules.choices[choice]}
                hint={words.houseRules.means[choice]}
                checked={chosen === choice}
                choose={() => change.mutate(choice)}
              />
            </div>
          ))}
        </fieldset>
      </Minded>
      <Fault error={change.error} />
      <h2 className="border-base-content mt-8 border-b pb-2 text-lg">
        {words.houseRules.concerned(rules.concerned.length)}
      </h2>
      <ul>
        {rules.concerned.map((each) => (
          <li key={each.id} className="border-base-300 flex flex-wrap gap-x-6 border-b py-2">
            <Link className="choose" to={`/subscriptions/${each.id}`}>
              {each.name}
            </Link>
            <span className="grow">{words.list(each.columns)}</span>
            <span className="text-quiet">
              {words.houseRules.of(each.owner, words.subscriptions.states[each.state])}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
