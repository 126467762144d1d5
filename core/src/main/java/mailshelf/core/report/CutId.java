package mailshelf.core.report;

import mailshelf.core.Id;

/** Identity of a kept cut. */
public record CutId(long value) implements Id {}
