package mailshelf.server.lease;

import java.nio.file.Path;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import mailshelf.server.HouseSettings;
import mailshelf.server.MailSettings;
import mailshelf.server.mail.MailTls;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.delivery.WorkerStore;

/** What tells servers apart that share a database and a data folder. */
public final class Servers {
    private Servers() {}

    public static HouseSettings settings(Path data, int number) {
        return new HouseSettings(
                data,
                Optional.empty(),
                number,
                "http://localhost",
                new MailSettings("mail-shelf@brinewater.example", "localhost", 25, MailTls.NEVER, Optional.empty()),
                List.of(),
                1_000_000,
                "",
                Optional.empty());
    }

    /** One that is heard of until it is stopped. */
    public static LeaseKeeper alive(Database database, Path data, int number) {
        LeaseKeeper keeper = new LeaseKeeper(
                InstantSource.system(), database, new Durable(database), new WorkerStore(), settings(data, number));
        keeper.start();
        return keeper;
    }
}
