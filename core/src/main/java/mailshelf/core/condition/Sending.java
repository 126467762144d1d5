package mailshelf.core.condition;

/** Whether an issue goes out, judged on its copies. */
public enum Sending {
    SEND,
    /** No row of the data lies behind any of its copies. */
    SKIP_NO_ROWS,
    /** The last load of its data failed. */
    SKIP_STALE,
    /** Nobody on the list may be sent it. */
    SKIP_NOBODY;

    /**
     * @param copies how many there are; none where nobody may be sent any
     * @param empty those behind which no row lies; where others are sent, they are not
     */
    public static Sending decide(long copies, long empty) {
        if (copies == 0) {
            return SKIP_NOBODY;
        }
        return copies == empty ? SKIP_NO_ROWS : SEND;
    }

    /** Key of the words for the reason. */
    public String wordsKey() {
        return "skipped." + name();
    }
}
