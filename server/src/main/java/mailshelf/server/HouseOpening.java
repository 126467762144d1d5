package mailshelf.server;

import java.io.PrintStream;
import java.time.DayOfWeek;
import java.time.ZoneOffset;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Role;
import mailshelf.server.people.PasswordLinks;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** Where no administrator can sign in yet, each start shows a link by which one sets the password. */
@Component
@Profile("house")
class HouseOpening implements Opening {
    private final Database database;
    private final PersonStore people;
    private final PasswordLinks links;
    private final HouseSettings settings;

    HouseOpening(Database database, PersonStore people, PasswordLinks links, HouseSettings settings) {
        this.database = database;
        this.people = people;
        this.links = links;
        this.settings = settings;
    }

    @Override
    public void open(PrintStream out) {
        out.println("Mail Shelf answers at " + settings.baseUrl());
        Optional<String> link = database.inTransaction(tx -> people.hasAdministratorWithPassword(tx)
                ? Optional.empty()
                : Optional.of(links.link(tx, administrator(tx), PasswordLinks.INVITATION)));
        link.ifPresent(url -> out.println("No administrator can sign in yet. Choose the password here; the link works"
                + " once, for seven days:\n  " + url));
    }

    private PersonId administrator(Tx tx) {
        return people.administrators(tx).stream()
                .findFirst()
                .map(Person::id)
                .orElseGet(() -> people.insert(
                        tx,
                        new Person(
                                new PersonId(0),
                                "Administrator",
                                settings.mail().address(),
                                ZoneOffset.UTC,
                                Locale.ENGLISH,
                                DayOfWeek.MONDAY,
                                Set.of(Role.ADMINISTRATOR),
                                true),
                        Optional.empty()));
    }
}
