package mailshelf.core.rights;

import java.util.EnumSet;
import java.util.Set;

/** What may be granted in a folder. */
public enum Verb {
    /** List, read, and open issues on the shelf. */
    SEE,
    /** Subscribe oneself. */
    SUBSCRIBE_SELF,
    /** Subscribe other people of the house. */
    SUBSCRIBE_TEAMMATES,
    /** Put reports and data sets into the folder, and load data. */
    PUBLISH;

    /** The verb with all that it makes no sense without. */
    public Set<Verb> withImplied() {
        return switch (this) {
            case SEE -> EnumSet.of(SEE);
            case SUBSCRIBE_SELF -> EnumSet.of(SEE, SUBSCRIBE_SELF);
            case SUBSCRIBE_TEAMMATES -> EnumSet.of(SEE, SUBSCRIBE_SELF, SUBSCRIBE_TEAMMATES);
            case PUBLISH -> EnumSet.of(SEE, PUBLISH);
        };
    }
}
