package mailshelf.core.data;

import mailshelf.core.Id;

/** Names one load (version) of a data set. */
public record LoadId(long value) implements Id {}
