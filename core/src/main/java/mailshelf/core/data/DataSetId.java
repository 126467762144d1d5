package mailshelf.core.data;

import mailshelf.core.Id;

/** Names one data set. */
public record DataSetId(long value) implements Id {}
