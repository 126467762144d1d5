package mailshelf.store;

import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.store.people.PersonStore;

/** People with valid defaults. */
public final class Someone {
    private static final PersonStore PEOPLE = new PersonStore();

    private Someone() {}

    public static Person named(String name) {
        return new Person(
                new PersonId(0),
                name,
                name.toLowerCase(Locale.ROOT) + "@brinewater.example",
                ZoneId.of("Europe/Oslo"),
                Locale.ENGLISH,
                DayOfWeek.MONDAY,
                Set.of(),
                true);
    }

    public static Person kept(Tx tx, String name) {
        return PEOPLE.find(tx, PEOPLE.insert(tx, named(name), Optional.empty())).orElseThrow();
    }
}
