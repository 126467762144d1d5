/** As a named value stands in a filter, in the place of a value. */
export const referenceTo = (name: string) => `{${name}}`;

/** The name that stands in the place of a value; null for a value itself. */
export const nameIn = (value: string) => /^\{([^{}]+)\}$/.exec(value)?.[1] ?? null;

const TIME = /^(\d{4}-\d{2}-\d{2})T(?=\d{2}:\d{2})/;

/** A value as it is read. */
export const readable = (value: string) => {
  const name = nameIn(value);
  return name === null ? value.replace(TIME, "$1 ") : `“${name}”`;
};
