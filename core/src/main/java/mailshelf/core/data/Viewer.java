package mailshelf.core.data;

import java.util.List;
import mailshelf.core.rights.PersonId;

/**
 * Whom figures are seen as: he sees the rows that all of his row rules let through.
 *
 * @param allowed what each row rule of the data set lets him see, in the rules' order; none where he may see all rows
 */
public record Viewer(PersonId person, List<Allowed> allowed) {
    public Viewer {
        allowed = List.copyOf(allowed);
    }

    /** Whether he may see every row that these let through, whatever rows there are. */
    public boolean covers(List<Allowed> others) {
        return allowed.stream()
                .allMatch(mine -> others.stream()
                        .anyMatch(other -> other.column().equals(mine.column())
                                && mine.values().containsAll(other.values())));
    }

    /** Whether no row at all can be seen. */
    public boolean seesNothing() {
        return allowed.stream().anyMatch(rule -> rule.values().isEmpty());
    }
}
