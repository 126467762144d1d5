package mailshelf.core.delivery;

import mailshelf.core.Id;

/** Names one copy of an issue. */
public record CopyId(long value) implements Id {}
