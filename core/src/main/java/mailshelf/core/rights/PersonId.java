package mailshelf.core.rights;

import mailshelf.core.Id;

/** Names one person. */
public record PersonId(long value) implements Id {}
