/** The head line of a table of words. */
export function Heads({ names }: { names: string[] }) {
  return (
    <thead>
      <tr>
        {names.map((name) => (
          <th key={name} scope="col" className="head py-2 pr-6 text-left">
            {name}
          </th>
        ))}
      </tr>
    </thead>
  );
}
