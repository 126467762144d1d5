package mailshelf.core.data;

import java.util.List;
import mailshelf.core.rights.PersonId;

/** Whom figures are seen as: every evaluation says so, and sees only the rows that all of the row rules let through. */
public record Viewer(PersonId person, List<Filter> rowRules) {
    public Viewer {
        rowRules = List.copyOf(rowRules);
    }
}
