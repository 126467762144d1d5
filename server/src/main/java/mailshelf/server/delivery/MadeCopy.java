package mailshelf.server.delivery;

import java.util.List;
import mailshelf.store.shelf.Copy;
import mailshelf.store.shelf.IssueStore;

/**
 * A copy whose parts lie in the archive, to be recorded.
 *
 * @param copy without its id
 * @param contentKey the checksum of all that tells it from other copies: figures, what its letter says, what it shows
 */
record MadeCopy(View view, Copy copy, String contentKey, List<IssueStore.CopyFile> files) {}
