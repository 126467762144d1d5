package mailshelf.core.audit;

import mailshelf.core.Id;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Subscription;

/**
 * What something was done to.
 *
 * @param id 0 for what has none, such as an address nobody has
 * @param name as it was called then
 */
public record Thing(Kind kind, long id, String name) {
    /** Kinds of things. */
    public enum Kind {
        PERSON,
        GROUP,
        FOLDER,
        REPORT,
        SOURCE,
        DATA_SET,
        NAMED_VALUE,
        SUBSCRIPTION,
        RUN,
        ISSUE,
        WORK,
        HOUSE_RULE
    }

    public static Thing of(Person person) {
        return of(Kind.PERSON, person.id(), person.name());
    }

    /** A rule of the house, of which there is but one by each name. */
    public static Thing ofHouse(String rule) {
        return new Thing(Kind.HOUSE_RULE, 0, rule);
    }

    public static Thing of(Subscription subscription) {
        return of(Kind.SUBSCRIPTION, subscription.id(), subscription.terms().name());
    }

    public static Thing of(Kind kind, Id id, String name) {
        return new Thing(kind, id.value(), name);
    }
}
