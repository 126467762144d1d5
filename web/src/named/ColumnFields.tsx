import type { Api } from "../api/client";
import { useRead } from "../api/use";
import { Pick } from "../kit/Pick";
import { words } from "../words";

interface Props {
  dataSet: number | null;
  column: string;
  change: (dataSet: number | null, column: string) => void;
}

/** Which column of which data set. */
export function ColumnFields({ dataSet, column, change }: Props) {
  const all = useRead<Api["DataSetLine"][]>("data-sets").data ?? [];
  const view = useRead<Api["DataSetView"]>(`data-sets/${dataSet}`, { when: dataSet !== null });
  const columns = (dataSet === null ? [] : (view.data?.columns ?? [])).map((each, i) => ({
    id: i + 1,
    name: each.name,
  }));
  return (
    <div className="flex flex-wrap gap-4">
      <Pick
        label={words.named.dataSet}
        none={words.named.noDataSet}
        all={all}
        value={String(dataSet ?? "")}
        pick={(id) => change(id === "" ? null : Number(id), "")}
      />
      <Pick
        label={words.named.column}
        none={words.named.noColumn}
        all={columns}
        value={String(columns.find((each) => each.name === column)?.id ?? "")}
        pick={(id) => change(dataSet, columns.find((each) => String(each.id) === id)?.name ?? "")}
      />
    </div>
  );
}
