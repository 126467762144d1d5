package mailshelf.core.data;

import java.util.List;
import mailshelf.core.rights.PersonId;

/**
 * Whom figures are seen as: he sees the rows that all of his row rules let through.
 *
 * @param allowed what each row rule of the data set lets him see, in the rules' order; none where he may see all rows
 * @param masked the personal columns whose values are not shown
 */
public record Viewer(PersonId person, List<Allowed> allowed, List<String> masked) {
    public Viewer {
        allowed = List.copyOf(allowed);
        masked = List.copyOf(masked);
    }

    /** One from whom no column is hidden. */
    public Viewer(PersonId person, List<Allowed> allowed) {
        this(person, allowed, List.of());
    }

    /** The same with the values of some columns hidden. */
    public Viewer without(List<String> columns) {
        return new Viewer(person, allowed, columns);
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
