package mailshelf.core.rights;

import mailshelf.core.Id;

/** Names one group. */
public record GroupId(long value) implements Id {}
