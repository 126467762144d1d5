package mailshelf.server;

import java.nio.file.Path;
import java.util.Optional;
import mailshelf.store.Database;

/** The database of an organisation, for commands that need no server. */
final class OfflineDatabase {
    private OfflineDatabase() {}

    /**
     * @param shared host and port of the one that servers share; otherwise no server may have the folder
     * @throws CannotStart if another process has it
     */
    static Database open(Path data, Optional<String> shared) throws CannotStart {
        if (shared.isPresent()) {
            return Database.connect(shared.get(), data);
        }
        DataFolder.take(data, DataFolder.WHOLE, false);
        return Database.open(data);
    }
}
