package mailshelf.core.data;

import mailshelf.core.Id;

/** Identifies a try to load a data set; later ones have greater numbers. */
public record AttemptId(long value) implements Id {}
