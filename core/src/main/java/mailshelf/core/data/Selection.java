package mailshelf.core.data;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import java.util.stream.Stream;
import mailshelf.core.time.Window;

/** The rows of a table in a window of days that pass filters and the viewer's row rules, in the table's order. */
public final class Selection {
    private final Table table;
    private final int firstRow;
    private final int endRow;
    private final List<Test> tests;

    private Selection(Table table, int firstRow, int endRow, List<Test> tests) {
        this.table = table;
        this.firstRow = firstRow;
        this.endRow = endRow;
        this.tests = tests;
    }

    public static Selection of(Table table, Window window, List<Filter> filters, Viewer viewer) {
        List<Test> tests = Stream.concat(filters.stream(), viewer.rowRules().stream())
                .map(filter -> Test.of(table, filter))
                .toList();
        return new Selection(table, table.firstRow(window), table.endRow(window), tests);
    }

    /** Those of these rows that pass more filters. */
    public Selection where(List<Filter> filters) {
        List<Test> more = new ArrayList<>(tests);
        filters.forEach(filter -> more.add(Test.of(table, filter)));
        return new Selection(table, firstRow, endRow, more);
    }

    public Table table() {
        return table;
    }

    public void forEachRow(IntConsumer action) {
        for (int row = firstRow; row < endRow; row++) {
            if (passes(row)) {
                action.accept(row);
            }
        }
    }

    public int[] rows() {
        int[] found = new int[endRow - firstRow];
        int[] count = {0};
        forEachRow(row -> found[count[0]++] = row);
        return java.util.Arrays.copyOf(found, count[0]);
    }

    private boolean passes(int row) {
        for (Test test : tests) {
            if (!test.passes(row)) {
                return false;
            }
        }
        return true;
    }

    /** A filter made ready for a table: which dictionary codes pass. */
    record Test(int[] codes, boolean[] allowed) {
        static Test of(Table table, Filter filter) {
            ColumnData.Text text = table.text(filter.column());
            boolean[] allowed = new boolean[text.dictionary().length];
            for (int code = 0; code < allowed.length; code++) {
                allowed[code] = filter.anyOf().contains(text.dictionary()[code]);
            }
            return new Test(text.codes(), allowed);
        }

        boolean passes(int row) {
            return codes[row] >= 0 && allowed[codes[row]];
        }
    }
}
