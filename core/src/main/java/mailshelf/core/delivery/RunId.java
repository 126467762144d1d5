package mailshelf.core.delivery;

import mailshelf.core.Id;

/** Names one run. */
public record RunId(long value) implements Id {}
