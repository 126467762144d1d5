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
import mailshelf.server.people.Invite;
import mailshelf.store.Database;
import mailshelf.store.people.PersonStore;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** A house without people gets its first administrator, who comes in by a link that works once. */
@Component
@Profile("house")
class HouseOpening implements Opening {
    private final Database database;
    private final PersonStore people;
    private final Invite invite;
    private final HouseSettings settings;

    HouseOpening(Database database, PersonStore people, Invite invite, HouseSettings settings) {
        this.database = database;
        this.people = people;
        this.invite = invite;
        this.settings = settings;
    }

    @Override
    public void open(PrintStream out) {
        out.println("Mail Shelf answers at " + settings.baseUrl());
        Optional<String> link = database.inTransaction(tx -> {
            if (!people.all(tx).isEmpty()) {
                return Optional.<String>empty();
            }
            Person first = new Person(
                    new PersonId(0),
                    "Administrator",
                    settings.mail().address(),
                    ZoneOffset.UTC,
                    Locale.ENGLISH,
                    DayOfWeek.MONDAY,
                    Set.of(Role.ADMINISTRATOR),
                    true);
            return Optional.of(invite.link(tx, people.insert(tx, first, Optional.empty())));
        });
        link.ifPresent(url -> out.println("Nobody can sign in yet. Choose the administrator's password here; the link"
                + " works once:\n  " + url));
    }
}
