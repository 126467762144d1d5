package mailshelf.core.rights;

import mailshelf.core.Id;

/** Names one folder. */
public record FolderId(long value) implements Id {}
