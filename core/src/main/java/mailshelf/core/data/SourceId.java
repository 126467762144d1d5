package mailshelf.core.data;

import mailshelf.core.Id;

/** Names one source. */
public record SourceId(long value) implements Id {}
