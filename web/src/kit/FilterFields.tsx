import { useState, type ReactNode } from "react";
import type { Api } from "../api/client";
import { words } from "../words";
import { Field } from "./Field";
import type { Cut } from "./cut";
import { nameIn } from "./reference";
import type { Narrowable } from "./narrowing";
import { useValues } from "./useValues";

interface FormProps {
  label: string;
  submit: () => void;
  children: ReactNode;
}

/** Fields that count once they are filled in. */
function Form({ label, submit, children }: FormProps) {
  return (
    <form
      aria-label={label}
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      {children}
      <button type="submit" className="choose pb-1">
        {words.filter.narrow}
      </button>
    </form>
  );
}

interface ContainingProps {
  title: string;
  value: string;
  set: (values: string[]) => void;
}

/** Narrows to texts that have something in them. */
export function Containing({ title, value, set }: ContainingProps) {
  const [text, setText] = useState(value);
  return (
    <Form label={title} submit={() => set([text.trim()])}>
      <Field
        label={words.filter.has}
        required
        pattern=".*\S.*"
        value={text}
        onChange={(event) => setText(event.target.value)}
        className="w-64"
      />
    </Form>
  );
}

interface BoundsProps {
  report: number;
  column: Narrowable;
  cut: Cut;
  values: string[];
  set: (values: string[]) => void;
}

const INPUTS: Record<Narrowable["type"], { type: string; step?: string; className: string }> = {
  TEXT: { type: "text", className: "w-40" },
  NUMBER: { type: "number", step: "any", className: "w-40" },
  DATE: { type: "date", className: "w-40" },
  TIME: { type: "datetime-local", className: "w-52" },
};

/** A bound itself; one by a named value is chosen below. */
const written = (bound = "") => (nameIn(bound) === null ? bound : "");

/** Narrows to numbers, days or times between two, either of which may be left out. */
export function Bounds({ report, column, cut, values, set }: BoundsProps) {
  const [from, setFrom] = useState(written(values[0]));
  const [to, setTo] = useState(written(values[1]));
  const offered = useValues(report, column.column, cut).data;
  const input = INPUTS[column.type];
  return (
    <>
      <Form label={column.title} submit={() => (from || to) && set([from, to])}>
        <Field
          {...input}
          label={words.filter.from}
          required={!to}
          value={from}
          onChange={(event) => setFrom(event.target.value)}
        />
        <Field
          {...input}
          label={words.filter.to}
          min={from}
          value={to}
          onChange={(event) => setTo(event.target.value)}
        />
      </Form>
      {offered && (
        <p className="text-quiet pt-2">
          {offered.least
            ? words.filter.occurring(offered.least, offered.greatest)
            : words.filter.noValues(column.title)}
        </p>
      )}
    </>
  );
}

interface MostProps {
  title: string;
  measures: Api["MeasureName"][];
  values: string[];
  set: (values: string[]) => void;
}

/** Narrows to the so many values that have the most of a measure. */
export function Most({ title, measures, values, set }: MostProps) {
  const [count, setCount] = useState(values[0] ?? "5");
  const [measure, setMeasure] = useState(values[1] ?? measures[0]?.id ?? "");
  return (
    <Form label={title} submit={() => set([count, measure])}>
      <Field
        label={words.filter.howMany}
        type="number"
        min={1}
        max={200}
        required
        value={count}
        onChange={(event) => setCount(event.target.value)}
        className="w-28"
      />
      <label className="block">
        <span className="head">{words.filter.mostOf}</span>
        <select className="fill" value={measure} onChange={(event) => setMeasure(event.target.value)}>
          {measures.map((each) => (
            <option key={each.id} value={each.id}>
              {each.title}
            </option>
          ))}
        </select>
      </label>
    </Form>
  );
}
