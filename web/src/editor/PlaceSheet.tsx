import { useState } from "react";
import { useNavigate } from "react-router";
import { call, type Api } from "../api/client";
import { useChange, useRead } from "../api/use";
import { publishable, useFolders } from "../data/useFolders";
import { Effect } from "../house/Effect";
import { Fault } from "../kit/Fault";
import { Loaded } from "../kit/Loaded";
import { useNotice } from "../kit/Notices";
import { Pick } from "../kit/Pick";
import { Sheet } from "../kit/Sheet";
import { SheetEnd } from "../kit/SheetEnd";
import { words } from "../words";

interface Props {
  report: number;
  title: string;
  close: () => void;
}

/** Another folder for a report, or taking it out of the library; told beforehand, what that does. */
export function PlaceSheet({ report, title, close }: Props) {
  const say = useNotice();
  const navigate = useNavigate();
  const library = useFolders();
  const [folder, setFolder] = useState("");
  const path = `reports/${report}`;
  const move = useChange(
    () => call(`${path}/folder`, { method: "PUT", body: { folder: Number(folder) } }),
    () => {
      close();
      say({ text: words.place.moved(title) });
    },
  );
  const restore = useChange(
    () => call(`${path}/restoration`, { method: "POST" }),
    () => say({ text: words.place.putBackDone(title) }),
  );
  return (
    <Sheet label={words.place.title(title)} close={close}>
      <form
        id="place"
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          move.mutate(undefined);
        }}
      >
        <h2>{words.place.title(title)}</h2>
        <Loaded query={library}>
          {(view) => (
            <Pick
              label={words.place.moveTo}
              none={words.place.chooseFolder}
              all={publishable(view.folders)}
              value={folder}
              pick={setFolder}
            />
          )}
        </Loaded>
        {folder && <Effect path={`${path}/folder/effect?folder=${folder}`} />}
        <Fault error={move.error} />
      </form>
      <Removal
        report={report}
        done={() => {
          void navigate("/library");
          say({
            text: words.place.removed(title),
            undo: () => restore.mutate(undefined),
          });
        }}
      />
      <SheetEnd close={close}>
        <button type="submit" form="place" className="act" disabled={!folder || move.isPending}>
          {words.place.move}
        </button>
      </SheetEnd>
    </Sheet>
  );
}

function Removal({ report, done }: { report: number; done: () => void }) {
  const [isOpen, setOpen] = useState(false);
  const path = `reports/${report}`;
  const removal = useRead<Api["Removal"]>(`${path}/removal`, { when: isOpen });
  const remove = useChange(() => call(path, { method: "DELETE" }), done);
  if (!isOpen) {
    return (
      <div className="text-sm">
        <button type="button" className="choose" onClick={() => setOpen(true)}>
          {words.place.remove}
        </button>
      </div>
    );
  }
  return (
    <div className="space-y-2 text-sm">
      <p className="font-semibold">{words.place.removalMeans}</p>
      <Loaded query={removal}>
        {({ pausing }) => (
          <>
            <ul>
              {pausing.map((name, i) => (
                <li key={i}>{words.place.pauses(name)}</li>
              ))}
            </ul>
            <button
              type="button"
              className="act-plain"
              disabled={remove.isPending}
              onClick={() => remove.mutate(undefined)}
            >
              {words.place.removeNow(pausing.length)}
            </button>
          </>
        )}
      </Loaded>
      <Fault error={remove.error} />
    </div>
  );
}
