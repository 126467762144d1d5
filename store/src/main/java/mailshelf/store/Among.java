package mailshelf.store;

/**
 * Finds rows by many ids: as a join, since each of ten thousand in a list would be held against each row that is found.
 * Where there are few, {@link Where#in} does.
 */
public final class Among {
    private static final String JOIN = " JOIN UNNEST(CAST(? AS BIGINT ARRAY)) AS among (among_id) ON among_id = ";

    private Among() {}

    /** Behind the tables of a SELECT; its value is a set of ids, each of which is looked for once. */
    public static String ids(String column) {
        return JOIN + column;
    }
}
