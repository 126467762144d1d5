import { useState } from "react";
import { words } from "../words";

interface Props {
  label: string;
  file: File | null;
  take: (file: File) => void;
}

/** Where a CSV file is dropped, or picked. */
export function DropFile({ label, file, take }: Props) {
  const [over, setOver] = useState(false);
  const takeFirst = (files: FileList | null) => {
    const first = files?.[0];
    if (first) take(first);
  };
  return (
    <label
      className={`block cursor-pointer border border-dashed p-6 text-center focus-within:outline-2 ${
        over ? "border-primary bg-base-200" : "border-base-content"
      }`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        takeFirst(event.dataTransfer.files);
      }}
    >
      <span className="block">{file ? words.data.file(file.name, file.size) : label}</span>
      <span className="choose text-sm">{file ? words.data.other : words.data.pick}</span>
      <input
        type="file"
        accept=".csv,.txt,.tsv,text/csv"
        className="sr-only"
        aria-label={label}
        onChange={(event) => {
          takeFirst(event.target.files);
          event.target.value = "";
        }}
      />
    </label>
  );
}
