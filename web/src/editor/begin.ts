/** What a new report begins with: a page that can be seen at once, over a data set's first column of each type. */
export function begin(dataSet: string, numbers: string[], texts: string[]): string {
  const measure = numbers[0]
    ? `total: {title: ${quoted(`Total of ${numbers[0]}`)}, sum: ${quoted(numbers[0])}}`
    : "";
  const name = numbers[0] ? "total" : "rows";
  return [
    "report: New report",
    "about: What it answers, in one sentence.",
    `data: ${quoted(dataSet)}`,
    `filters: [${texts.slice(0, 2).map(quoted).join(", ")}]`,
    "measures:",
    "  rows: {title: Rows, count: rows}",
    ...(measure ? [`  ${measure}`] : []),
    "pages:",
    "  - page: Overview",
    "    id: overview",
    "    blocks:",
    `      - {figure: ${name}, trend: 12 weeks}`,
    `      - {chart: bars, title: A week, measure: ${name}, over: 26 weeks}`,
    ...(texts[0]
      ? [
          `      - {table: ${quoted(texts[0])}, title: ${quoted(`By ${texts[0]}`)}, measures: [${name}, share of ${name}]}`,
        ]
      : []),
    "",
  ].join("\n");
}

/** Plain where YAML takes it so. */
const quoted = (text: string) => (/^[\p{L}][\p{L}\d _-]*$/u.test(text) ? text : JSON.stringify(text));
