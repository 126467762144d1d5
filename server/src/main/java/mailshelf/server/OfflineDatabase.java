package mailshelf.server;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import java.nio.file.Path;
import java.util.Optional;
import mailshelf.store.Database;
import org.slf4j.LoggerFactory;

/** The database of an organisation, for commands that need no server. */
final class OfflineDatabase {
    private OfflineDatabase() {}

    /**
     * @param shared host and port of the one that servers share; otherwise no server may have the folder
     * @throws CannotStart if another process has it
     */
    static Database open(Path data, Optional<String> shared) throws CannotStart {
        // what a command says is its answer; a server's log would stand in between
        ((Logger) LoggerFactory.getLogger(Logger.ROOT_LOGGER_NAME)).setLevel(Level.ERROR);
        if (shared.isPresent()) {
            return Database.connect(shared.get(), data);
        }
        DataFolder.take(data, DataFolder.WHOLE, false);
        return Database.open(data);
    }
}
