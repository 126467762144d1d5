package mailshelf.core.condition;

import java.util.List;
import mailshelf.core.report.PageModel;

/** Whether an issue goes out, judged on its figures and its list. */
public enum Sending {
    SEND,
    /** No row of the data lies behind any of its pages. */
    SKIP_NO_ROWS,
    /** Nobody on the list may be sent it. */
    SKIP_NOBODY;

    public static Sending decide(List<PageModel> pages, long recipientsIncluded) {
        if (recipientsIncluded == 0) {
            return SKIP_NOBODY;
        }
        return pages.stream().allMatch(page -> page.rows() == 0) ? SKIP_NO_ROWS : SEND;
    }

    /** Key of the words for the reason. */
    public String wordsKey() {
        return "skipped." + name();
    }
}
