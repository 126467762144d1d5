package mailshelf.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import mailshelf.store.Database;
import mailshelf.store.SettingStore;
import mailshelf.store.people.PersonStore;

/**
 * What a data folder is used for, as a mark in it says from its first start on: no demo, which lets anybody sign in, is
 * started on an organisation's data, and no organisation's server on a demo's.
 */
public enum DataKind {
    DEMO("a demo. Start it with 'mailshelf demo', or choose another folder with --data."),
    ORGANISATION("an organisation, and a demo would let anybody sign in to it. Choose another folder with --data.");

    /** The setting that only a demo has: the day it was opened. */
    public static final String DEMO_OPENED = "demo-opening-day";

    private static final String MARK = "kind";

    private final String words;

    DataKind(String words) {
        this.words = words;
    }

    /** Marks a folder that is taken and has no mark, or refuses one of another kind. */
    void require(Path data) throws CannotStart {
        Path mark = data.resolve(MARK);
        try {
            DataKind is = Files.exists(mark)
                    ? valueOf(Files.readString(mark).strip())
                    : byItsTables(data).orElse(this);
            if (is != this) {
                throw new CannotStart("The data folder " + data + " is that of " + is.words);
            }
            if (Files.notExists(mark)) {
                Files.writeString(mark, name());
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new CannotStart("What the data folder " + data + " is used for cannot be read from or written to "
                    + mark + " (" + e.getMessage() + "): it holds the word DEMO or ORGANISATION.");
        }
    }

    /** Of a folder from before there was the mark; empty where nothing is in it, or servers share its database. */
    private static Optional<DataKind> byItsTables(Path data) {
        if (!Database.isIn(data)) {
            return Optional.empty();
        }
        try (Database database = Database.open(data)) {
            return database.inTransaction(tx -> {
                if (new SettingStore().find(tx, DEMO_OPENED).isPresent()) {
                    return Optional.of(DEMO);
                }
                return new PersonStore().all(tx).isEmpty() ? Optional.empty() : Optional.of(ORGANISATION);
            });
        }
    }
}
