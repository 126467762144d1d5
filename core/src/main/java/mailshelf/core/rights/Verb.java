package mailshelf.core.rights;

import java.util.EnumSet;
import java.util.Set;

/** What may be granted in a folder. */
public enum Verb {
    /** Know that its reports exist, and ask to see them. */
    KNOW,
    /** List, read, and open issues on the shelf. */
    SEE,
    /** Subscribe oneself. */
    SUBSCRIBE_SELF,
    /** Subscribe other people of the house. */
    SUBSCRIBE_TEAMMATES,
    /** Put reports and data sets into the folder, and load data. */
    PUBLISH,
    /** Give rights in the folder and those under it, and answer who asks for them. Administrators alone give this one. */
    MANAGE;

    /** The verb with all that it makes no sense without. */
    public Set<Verb> withImplied() {
        return switch (this) {
            case KNOW -> EnumSet.of(KNOW);
            case SEE -> EnumSet.of(KNOW, SEE);
            case SUBSCRIBE_SELF -> EnumSet.of(KNOW, SEE, SUBSCRIBE_SELF);
            case SUBSCRIBE_TEAMMATES -> EnumSet.of(KNOW, SEE, SUBSCRIBE_SELF, SUBSCRIBE_TEAMMATES);
            case PUBLISH -> EnumSet.of(KNOW, SEE, PUBLISH);
            case MANAGE -> EnumSet.of(KNOW, SEE, MANAGE);
        };
    }
}
