package mailshelf.core.rights;

/** People who are granted things together. */
public record Group(GroupId id, String name) {}
