package mailshelf.server;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import mailshelf.store.SharedDatabase;
import mailshelf.store.StoreException;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Keeps the database for several servers, in a process of its own. */
@Command(
        name = "database",
        description = "Keeps the database for several servers, which are started with 'serve --database HOST:PORT'.",
        mixinStandardHelpOptions = true)
final class KeepDatabase implements Callable<Integer> {
    @Option(
            names = "--data",
            description = "folder that holds everything (default ${DEFAULT-VALUE})",
            defaultValue = "data")
    Path data;

    @Option(
            names = "--address",
            description =
                    "address to listen on (default ${DEFAULT-VALUE}); any other lets other machines in, with the key"
                            + " in the folder's database.key",
            defaultValue = "localhost")
    String address;

    @Option(names = "--port", description = "port to listen on (default ${DEFAULT-VALUE})", defaultValue = "9092")
    int port;

    @Override
    public Integer call() throws InterruptedException {
        SharedDatabase database;
        try {
            ServerStart.checkPort(port);
            DataFolder.take(data, DataFolder.WHOLE, false);
            DataKind.ORGANISATION.require(data);
            database = SharedDatabase.open(data, address, port);
        } catch (CannotStart | StoreException e) {
            System.err.println(e.getMessage());
            return Main.USAGE;
        }
        Runtime.getRuntime().addShutdownHook(new Thread(database::close));
        System.out.println("The database in " + data + " answers at " + address + ":" + port);
        new CountDownLatch(1).await(); // until the process is ended
        return 0;
    }
}
