import { useState } from "react";
import { Link } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { Fault } from "../kit/Fault";
import { Tick } from "../kit/Field";
import { useNotice } from "../kit/Notices";
import { words } from "../words";

type View = Api["DataSetView"];
type Rule = View["rules"][number];

/** Who sees which rows: a sentence a rule, each by a mapping table. */
export function RowRules({ view }: { view: View }) {
  const [editing, setEditing] = useState(false);
  return (
    <section aria-label={words.rules.title}>
      <h2 className="border-base-content border-b pb-2 text-lg">{words.rules.title}</h2>
      {editing ? (
        <Editor view={view} close={() => setEditing(false)} />
      ) : (
        <>
          <Said view={view} />
          {view.mayChange && (
            <button type="button" className="act-plain mt-3" onClick={() => setEditing(true)}>
              {view.rules.length === 0 ? words.rules.add : words.rules.change}
            </button>
          )}
        </>
      )}
    </section>
  );
}

function Said({ view }: { view: View }) {
  const dataSets = useRead<Api["DataSetLine"][]>("data-sets").data ?? [];
  if (view.rules.length === 0) return <p className="pt-3">{words.rules.none}</p>;
  return (
    <>
      <ul className="space-y-2 pt-3">
        {view.rules.map((rule) => {
          const fit = view.fits.find((each) => each.column === rule.column);
          return (
            <li key={rule.column}>
              {words.rules.before(rule.column)}{" "}
              <Link className="choose" to={`/data/${rule.mapping}`}>
                {dataSets.find((each) => each.id === rule.mapping)?.name ?? words.rules.mapping}
              </Link>{" "}
              {words.rules.after(rule.who, rule.values)}
              {fit && fit.unknownValues.length > 0 && (
                <span className="text-late block text-sm">
                  {words.rules.unknownValues(fit.unknownValues)}
                </span>
              )}
              {fit && fit.unknownNames.length > 0 && (
                <span className="text-late block text-sm">{words.rules.unknownNames(fit.unknownNames)}</span>
              )}
            </li>
          );
        })}
      </ul>
      <p className="text-quiet pt-2 text-sm">
        {view.ownerView ? words.rules.ownerView : words.rules.noOwnerView}
      </p>
    </>
  );
}

function Editor({ view, close }: { view: View; close: () => void }) {
  const say = useNotice();
  const others = (useRead<Api["DataSetLine"][]>("data-sets").data ?? []).filter(
    (each) => each.id !== view.line.id,
  );
  const texts = view.columns.filter((column) => column.type === "TEXT").map((column) => column.name);
  const [rules, setRules] = useState<Rule[]>(view.rules.length > 0 ? view.rules : [blank(texts)]);
  const [ownerView, setOwnerView] = useState(view.ownerView);
  const keep = useChange(() =>
    call(`data-sets/${view.line.id}/row-rules`, { method: "PUT", body: { rules, ownerView } }),
  );
  const change = (at: number, part: Partial<Rule>) =>
    setRules(rules.map((rule, i) => (i === at ? { ...rule, ...part } : rule)));
  return (
    <form
      aria-label={words.rules.title}
      className="space-y-4 pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(undefined, {
          onSuccess: () => {
            say({ text: words.rules.kept });
            close();
          },
        });
      }}
    >
      {rules.map((rule, i) => (
        <RuleEditor
          key={i}
          rule={rule}
          texts={texts}
          mappings={others}
          change={(part) => change(i, part)}
          remove={() => setRules(rules.filter((_, at) => at !== i))}
        />
      ))}
      <p>
        <button type="button" className="choose" onClick={() => setRules([...rules, blank(texts)])}>
          {words.rules.another}
        </button>
      </p>
      <Tick label={words.rules.allowOwner} checked={ownerView} change={setOwnerView} />
      <p className="flex gap-5">
        <button type="submit" className="act" disabled={keep.isPending}>
          {words.rules.keep}
        </button>
        <button type="button" className="choose" onClick={close}>
          {words.rules.leave}
        </button>
      </p>
      <Fault error={keep.error} />
    </form>
  );
}

const blank = (texts: string[]): Rule => ({ column: texts[0] ?? "", mapping: 0, who: "", values: "" });

interface RuleProps {
  rule: Rule;
  texts: string[];
  mappings: Api["DataSetLine"][];
  change: (part: Partial<Rule>) => void;
  remove: () => void;
}

function RuleEditor({ rule, texts, mappings, change, remove }: RuleProps) {
  const mapping = useRead<View>(`data-sets/${rule.mapping}`, { when: rule.mapping > 0 }).data;
  const columns =
    rule.mapping > 0 && mapping?.line.id === rule.mapping
      ? mapping.columns.filter((column) => column.type === "TEXT").map((column) => column.name)
      : [];
  return (
    <fieldset className="border-base-300 flex flex-wrap items-end gap-4 border-b pb-4">
      <legend className="sr-only">{words.rules.one(rule.column)}</legend>
      <Select
        label={words.rules.column}
        options={texts}
        value={rule.column}
        change={(column) => change({ column })}
      />
      <label className="block w-48">
        <span className="head">{words.rules.mapping}</span>
        <select
          className="fill"
          required
          value={rule.mapping || ""}
          onChange={(event) => change({ mapping: Number(event.target.value), who: "", values: "" })}
        >
          <option value="">{words.rules.choose}</option>
          {mappings.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </select>
      </label>
      <Select label={words.rules.who} options={columns} value={rule.who} change={(who) => change({ who })} />
      <Select
        label={words.rules.values}
        options={columns}
        value={rule.values}
        change={(values) => change({ values })}
      />
      <button
        type="button"
        className="choose"
        onClick={remove}
        aria-label={words.rules.removeOne(rule.column)}
      >
        {words.rules.remove}
      </button>
    </fieldset>
  );
}

interface SelectProps {
  label: string;
  options: string[];
  value: string;
  change: (value: string) => void;
}

function Select({ label, options, value, change }: SelectProps) {
  return (
    <label className="block w-48">
      <span className="head">{label}</span>
      <select className="fill" required value={value} onChange={(event) => change(event.target.value)}>
        <option value="">{words.rules.choose}</option>
        {options.map((each) => (
          <option key={each}>{each}</option>
        ))}
      </select>
    </label>
  );
}
