package mailshelf.core.named;

import mailshelf.core.Id;

/** Identifies a named value. */
public record NamedId(long value) implements Id {}
