package mailshelf.store.named;

import mailshelf.core.named.NamedId;
import mailshelf.core.named.NamedValue;
import mailshelf.core.rights.FolderId;

/** A named value where it stands: whoever may see the folder may use it, whoever publishes there may change it. */
public record KeptNamed(NamedId id, FolderId folder, NamedValue named, int version) {}
