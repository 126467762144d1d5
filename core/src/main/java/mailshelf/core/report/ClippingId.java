package mailshelf.core.report;

import mailshelf.core.Id;

/** Identity of a clipping. */
public record ClippingId(long value) implements Id {}
