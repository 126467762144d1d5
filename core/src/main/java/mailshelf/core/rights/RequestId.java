package mailshelf.core.rights;

import mailshelf.core.Id;

/** Identifies a request for a right. */
public record RequestId(long value) implements Id {}
