package mailshelf.core.data;

import java.util.List;

/** Which rows of the chunk at hand pass some tests: judged when the first answer needs it, and kept for the others. */
final class Choice {
    private final Choice among;
    private final List<RowTest> tests;
    private final Rows rows;
    private boolean isMade;

    private Choice(Choice among, List<RowTest> tests, Rows rows) {
        this.among = among;
        this.tests = tests;
        this.rows = rows;
    }

    /** All rows of the chunk, which {@link #begin} tells. */
    static Choice all() {
        return new Choice(null, List.of(), new Rows(0));
    }

    /** Those of these that pass. */
    Choice where(List<RowTest> more) {
        return more.isEmpty() ? this : new Choice(this, more, new Rows(Pass.CHUNK));
    }

    /** For the choice of all rows. */
    void begin(int firstRow, int endRow) {
        rows.setRange(firstRow, endRow);
        isMade = true;
    }

    /** For a choice among others. */
    void begin() {
        isMade = false;
    }

    Rows rows() {
        if (!isMade) {
            rows.setThose(among.rows(), tests);
            isMade = true;
        }
        return rows;
    }
}
