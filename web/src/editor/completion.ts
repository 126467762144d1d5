import type { CompletionContext, CompletionResult, Completion } from "@codemirror/autocomplete";
import type { Api } from "../api/client";

/** A part of the schema of reports, as far as completion reads it. */
export interface Schema {
  $ref?: string;
  $defs?: Record<string, Schema>;
  description?: string;
  properties?: Record<string, Schema>;
  additionalProperties?: Schema | boolean;
  items?: Schema;
  oneOf?: Schema[];
  enum?: (string | number)[];
  const?: string;
  examples?: string[];
  /** What a text under it names. */
  "x-names"?: string;
  /** What its keys name. */
  "x-keys"?: string;
}

/** What a report can be made of. */
export type MadeOf = Api["MadeOf"][];

interface Line {
  indent: number;
  /** The key that it begins with; "" for none. */
  key: string;
  isItem: boolean;
}

const KEY = /^(\s*)((?:- )*)(?:"([^"]+)"|([\p{L}\d_][^:#{}[\],"]*)):(\s|$)/u;

function read(text: string): Line {
  const found = KEY.exec(text);
  const dashes = /^(\s*)((?:- )*)/.exec(text);
  const indent = (dashes?.[1]?.length ?? 0) + (dashes?.[2]?.length ?? 0);
  return { indent, key: (found?.[3] ?? found?.[4] ?? "").trim(), isItem: (dashes?.[2]?.length ?? 0) > 0 };
}

/** The keys that lead to a place in the text, outermost first: by indentation, then by open braces on its own line. */
export function path(before: string): string[] {
  const lines = before.split("\n");
  const last = lines.pop() ?? "";
  const own = read(last);
  const keys: string[] = [];
  let indent = /^\s*(?:- )*/.exec(last)?.[0].length ?? 0;
  for (const text of lines.reverse()) {
    if (text.trim() === "") continue;
    const line = read(text);
    if (line.indent < indent && line.key) {
      keys.unshift(line.key);
      indent = line.isItem ? line.indent - 2 : line.indent;
    }
  }
  const rest = last.slice(own.key ? last.indexOf(":") + 1 : 0);
  const inner = flow(rest);
  return own.key ? [...keys, own.key, ...inner] : [...keys, ...inner];
}

/** Keys of mappings that are open on the line, and of a value that is begun. */
function flow(text: string): string[] {
  const open: string[] = [];
  let key = "";
  for (const token of text.match(/"[^"]*"?|'[^']*'?|[{}[\],]|[^{}[\],"']+/g) ?? []) {
    if (token === "{" || token === "[") {
      open.push(key);
      key = "";
    } else if (token === "}" || token === "]") {
      open.pop();
      key = "";
    } else if (token === ",") {
      key = "";
    } else if (/^[^:]+:(\s|$)/.test(token.trim() + " ")) {
      key = token.split(":")[0]?.trim() ?? "";
    }
  }
  return [...open.filter((each) => each !== ""), ...(key ? [key] : [])];
}

function resolve(root: Schema, schema: Schema | undefined): Schema | undefined {
  const name = schema?.$ref?.replace("#/$defs/", "");
  return name ? { ...root.$defs?.[name], ...schema, $ref: undefined } : schema;
}

/** The part of the schema for what stands under some keys. */
export function at(root: Schema, keys: string[]): Schema | undefined {
  let schema: Schema | undefined = root;
  for (const key of keys) {
    schema = resolve(root, schema?.items ? schema.items : schema);
    const object: Schema | undefined = schema?.oneOf?.find((each) => each["x-keys"]) ?? schema;
    const other = object?.additionalProperties;
    schema = object?.properties?.[key] ?? (typeof other === "object" ? other : undefined);
  }
  return resolve(root, schema);
}

/** The measures that a text defines, each on a line of its own. */
export function measures(text: string): string[] {
  const begin = /^measures:[^\n]*\n((?:[ \t]+[^\n]*\n|\n)*)/m.exec(text + "\n");
  return [...(begin?.[1] ?? "").matchAll(/^ {2}([\p{L}\d_][\p{L}\d_ -]*):/gmu)].map(
    (found) => found[1] ?? "",
  );
}

const columnsOf = (text: string, madeOf: MadeOf) => {
  const data = /^data:\s*["']?([^"'\n#]+?)["']?\s*(?:#.*)?$/m.exec(text)?.[1];
  const computed = /^compute:[^\n]*\n((?:[ \t]+[^\n]*\n|\n)*)/m.exec(text + "\n")?.[1] ?? "";
  return [
    ...(madeOf.find((each) => each.name === data)?.columns ?? []),
    ...[...computed.matchAll(/^ {2}([\p{L}\d_][\p{L}\d_ -]*):/gmu)].map((found) => ({
      name: found[1] ?? "",
      type: "TEXT" as const,
    })),
  ];
};

function named(what: string, text: string, madeOf: MadeOf): Completion[] {
  const columns = columnsOf(text, madeOf);
  const of = (type?: "TEXT" | "NUMBER") =>
    columns
      .filter((column) => !type || column.type === type)
      .map((column) => ({ label: column.name, detail: column.type.toLowerCase() }));
  switch (what) {
    case "data set":
      return madeOf.map((each) => ({ label: each.name }));
    case "column":
      return of();
    case "text column":
      return of("TEXT");
    case "text column or rows":
      return [{ label: "rows", detail: "the rows themselves" }, ...of("TEXT")];
    case "number column":
      return of("NUMBER");
    case "measure":
      return measures(text).map((label) => ({ label }));
    case "measure shown":
      return measures(text).flatMap((name) =>
        ["", "change of ", "change in % of ", "share of ", "running total of "].map((how) => ({
          label: how + name,
          boost: how ? -1 : 0,
        })),
      );
    default:
      return [];
  }
}

function keysOf(schema: Schema | undefined, text: string, madeOf: MadeOf): Completion[] {
  const object = schema?.oneOf?.find((each) => each["x-keys"]) ?? schema;
  const keys = Object.entries(object?.properties ?? {}).map(([label, part]) => ({
    label,
    detail: part.description,
    apply: `${label}: `,
  }));
  const names = named(object?.["x-keys"] ?? "", text, madeOf);
  return [...keys, ...names.map((each) => ({ ...each, apply: `${each.label}: ` }))];
}

function valuesOf(schema: Schema | undefined, text: string, madeOf: MadeOf): Completion[] {
  const one = schema?.items ?? schema;
  const fixed = [...(one?.enum ?? []), ...(one?.const ? [one.const] : []), ...(one?.examples ?? [])];
  return [
    ...fixed.map((label) => ({ label: String(label) })),
    ...named(one?.["x-names"] ?? "", text, madeOf),
  ];
}

/** Proposes the keys and values that fit where the cursor stands, by the schema, the data sets and the text itself. */
export function complete(schema: Schema, madeOf: MadeOf) {
  return (context: CompletionContext): CompletionResult | null => {
    const text = context.state.doc.toString();
    const word = context.matchBefore(/[\p{L}\d_%][\p{L}\d_% ]*|/u);
    const from = word?.from ?? context.pos;
    if (!context.explicit && from === context.pos) return null;
    const keys = path(text.slice(0, from));
    const place = at(schema, keys);
    const values = valuesOf(place, text, madeOf);
    const part = place?.items ? resolve(schema, place.items) : place;
    const options = [...values, ...(values.length > 0 ? [] : keysOf(part, text, madeOf))];
    return options.length > 0 ? { from, options, validFor: /^[\p{L}\d_% ]*$/u } : null;
  };
}
