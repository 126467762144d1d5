package mailshelf.core.rights;

/** To whom something is granted. */
public sealed interface Subject {
    /** One person. */
    record OfPerson(PersonId person) implements Subject {}

    /** Everybody in a group. */
    record OfGroup(GroupId group) implements Subject {}
}
