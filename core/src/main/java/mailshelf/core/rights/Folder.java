package mailshelf.core.rights;

import java.util.Optional;

/** A place for reports, and what grants are given for. */
public record Folder(FolderId id, Optional<FolderId> parent, String name) {}
