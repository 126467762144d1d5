import { useState } from "react";
import { words } from "../words";
import { Choices } from "./Choices";
import { setSingleKeys, singleKeys } from "./keys";
import { Sheet } from "./Sheet";

const { keys } = words;

/** What can be done by keys, and whether single ones act. */
export function KeysSheet({ close }: { close: () => void }) {
  const [single, setSingle] = useState(singleKeys);
  return (
    <Sheet label={keys.title} close={close} closes>
      {keys.lists.map(({ where, lines }) => (
        <section key={where} className="space-y-2">
          <h2 className="text-lg">{where}</h2>
          <dl className="grid grid-cols-[max-content_1fr] gap-x-6 gap-y-1">
            {lines.map(([pressed, what]) => (
              <div key={pressed} className="contents">
                <dt className="font-semibold">{pressed}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
      <p className="text-quiet text-sm md:col-span-3">
        {keys.singleLine}{" "}
        <Choices
          label={keys.single}
          choices={[
            { value: "on", text: keys.on },
            { value: "off", text: keys.off },
          ]}
          current={single ? "on" : "off"}
          choose={(chosen) => {
            setSingleKeys(chosen === "on");
            setSingle(chosen === "on");
          }}
        />
      </p>
    </Sheet>
  );
}
