package mailshelf.server;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import mailshelf.core.rights.Person;
import mailshelf.server.people.PasswordLinks;
import mailshelf.store.Database;
import mailshelf.store.StoreException;
import mailshelf.store.people.InvitationStore;
import mailshelf.store.people.PersonStore;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Lets an administrator in again: whoever may read the data folder may. */
@Command(
        name = "administrator-link",
        description = "Shows a link by which an administrator sets a password. Stop a server that has the folder for"
                + " itself first.",
        mixinStandardHelpOptions = true)
final class AdministratorLink implements Callable<Integer> {
    @Option(
            names = "--data",
            description = "folder that holds everything (default ${DEFAULT-VALUE})",
            defaultValue = "data")
    Path data;

    @Option(
            names = "--database",
            paramLabel = "HOST:PORT",
            description = "the database that several servers share; they need not be stopped")
    Optional<String> database = Optional.empty();

    @Option(
            names = "--base-url",
            description = "how readers reach the server (default ${DEFAULT-VALUE})",
            defaultValue = "http://localhost:8080")
    String baseUrl;

    @Option(names = "--address", description = "mail address of the administrator (default: the first one)")
    Optional<String> address = Optional.empty();

    @Override
    public Integer call() {
        try (Database opened = open()) {
            return show(opened);
        } catch (CannotStart | StoreException e) {
            System.err.println(e.getMessage());
            return Main.USAGE;
        }
    }

    private Database open() throws CannotStart {
        DataKind.ORGANISATION.require(data);
        return OfflineDatabase.open(data, database);
    }

    private int show(Database opened) {
        PersonStore people = new PersonStore();
        PasswordLinks links =
                new PasswordLinks(new InvitationStore(), HouseSettings.withoutSlash(baseUrl), Wiring.machineClock());
        Optional<Person> administrator = opened.inTransaction(people::administrators).stream()
                .filter(person -> address.filter(given -> !person.address().equalsIgnoreCase(given))
                        .isEmpty())
                .findFirst();
        if (administrator.isEmpty()) {
            System.err.println("No administrator who is active has that address, or there is none yet: start the server"
                    + " once, which makes one, or leave out --address.");
            return Main.USAGE;
        }
        Person person = administrator.get();
        String link = opened.inTransaction(tx -> links.link(tx, person.id(), PasswordLinks.INVITATION));
        System.out.println("By this link " + person.name() + " (" + person.address()
                + ") sets a password; it works once," + " for seven days:\n  " + link);
        return 0;
    }
}
