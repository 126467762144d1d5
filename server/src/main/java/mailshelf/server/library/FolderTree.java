package mailshelf.server.library;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.rights.Folder;
import mailshelf.core.rights.FolderId;

/** The folders that somebody sees, which may lack some of those between them. */
final class FolderTree {
    private final Map<FolderId, Folder> folders = new HashMap<>();

    FolderTree(List<Folder> seen) {
        seen.forEach(folder -> folders.put(folder.id(), folder));
    }

    /** The one above it, if that is seen too. */
    Optional<FolderId> parent(Folder folder) {
        return folder.parent().filter(folders::containsKey);
    }

    boolean isWithin(FolderId folder, FolderId ancestor) {
        Optional<FolderId> at = Optional.of(folder);
        while (at.isPresent() && !at.get().equals(ancestor)) {
            at = Optional.ofNullable(folders.get(at.get())).flatMap(this::parent);
        }
        return at.isPresent();
    }

    /** Sorts as the contents page lists folders: each before those in it, by name. */
    String place(FolderId folder) {
        Folder here = folders.get(folder);
        return parent(here).map(above -> place(above) + "\n").orElse("") + here.name();
    }
}
