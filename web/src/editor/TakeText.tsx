import { words } from "../words";

interface Props {
  take: (text: string, file: string) => void;
}

/** Picks a file whose text takes the place of what is being written. */
export function TakeText({ take }: Props) {
  return (
    <label className="choose focus-within:outline-primary focus-within:outline-2 focus-within:outline-offset-2">
      {words.editor.take}
      <input
        type="file"
        accept=".yaml,.yml,.txt,text/yaml,application/yaml"
        className="sr-only"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) void file.text().then((text) => take(text, file.name));
        }}
      />
    </label>
  );
}
