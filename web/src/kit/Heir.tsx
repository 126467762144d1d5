import { words } from "../words";

/** Who is to become the owner, and the way to choose somebody else. */
export function Heir({ name, other }: { name: string; other: () => void }) {
  return (
    <p>
      {words.handOver.to(name)}{" "}
      <button type="button" className="choose ml-2" onClick={other}>
        {words.handOver.chooseOther}
      </button>
    </p>
  );
}
