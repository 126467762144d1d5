package mailshelf.server.people;

import java.time.Duration;
import java.time.InstantSource;
import java.util.Locale;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.audience.MailAddress;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.http.Languages;
import mailshelf.server.notice.Notices;
import mailshelf.server.signin.Tokens;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.AddressChangeStore;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;

/** Gives somebody another mail address, which holds from when its owner has confirmed it. */
@Component
class AddressChanges {
    private static final Duration LIFE = Duration.ofDays(7);

    private final Database database;
    private final PersonStore people;
    private final AddressChangeStore changes;
    private final Notices notices;
    private final AuditTrail audit;
    private final HouseSettings settings;
    private final InstantSource machineClock;

    /** What somebody confirms. */
    record Confirmed(String name, String address) {}

    AddressChanges(
            Database database,
            PersonStore people,
            AddressChangeStore changes,
            Notices notices,
            AuditTrail audit,
            HouseSettings settings,
            InstantSource machineClock) {
        this.database = database;
        this.people = people;
        this.changes = changes;
        this.notices = notices;
        this.audit = audit;
        this.settings = settings;
        this.machineClock = machineClock;
    }

    /** The address that waits to be confirmed. */
    Optional<String> waiting(Tx tx, PersonId person) {
        return changes.of(tx, person, machineClock.instant()).map(AddressChangeStore.Waiting::address);
    }

    /** Mails the new address a link; until it is followed, the old address goes on. */
    void ask(Tx tx, Person who, Person person, String wanted) {
        String address = wanted.toLowerCase(Locale.ROOT);
        if (!MailAddress.isOne(address)) {
            throw Problem.invalid("person.bad-address", wanted);
        }
        requireFree(tx, person.id(), address);
        String token = Tokens.fresh();
        changes.put(tx, token, person.id(), address, machineClock.instant().plus(LIFE));
        Words words = Words.in(Languages.supported(person.locale()));
        notices.tellAt(
                tx,
                address,
                person.id(),
                words.say("address-change.subject"),
                words.say(
                        "address-change.body",
                        person.name(),
                        who.name(),
                        person.address(),
                        address,
                        settings.baseUrl() + "/address-changes/" + token));
        audit.keep(tx, who, Act.ADDRESS_CHANGE_ASKED, Thing.of(person), person.address(), address);
    }

    void withdraw(Tx tx, Person who, Person person) {
        waiting(tx, person.id()).ifPresent(address -> {
            changes.remove(tx, person.id());
            audit.keep(tx, who, Act.ADDRESS_CHANGE_ASKED, Thing.of(person), address, person.address());
        });
    }

    private void requireFree(Tx tx, PersonId person, String address) {
        if (people.byAddress(tx, address)
                .filter(other -> !other.id().equals(person))
                .isPresent()) {
            throw new Problem(Problem.Kind.CONFLICT, "person.address-taken", address);
        }
    }

    Confirmed look(String token) {
        return database.inTransaction(tx -> {
            AddressChangeStore.Waiting waiting = waiting(tx, token);
            return new Confirmed(active(tx, waiting.person()).name(), waiting.address());
        });
    }

    /** From now on it is the person's address; the old one is told. */
    void confirm(String token) {
        database.doInTransaction(tx -> {
            AddressChangeStore.Waiting waiting = waiting(tx, token);
            Person before = active(tx, waiting.person());
            if (!people.setAddress(tx, before.id(), waiting.address())) {
                throw new Problem(Problem.Kind.CONFLICT, "person.address-taken", waiting.address());
            }
            changes.remove(tx, before.id());
            Words words = Words.in(Languages.supported(before.locale()));
            notices.tellAt(
                    tx,
                    before.address(),
                    before.id(),
                    words.say("address-changed.subject"),
                    words.say("address-changed.body", before.name(), waiting.address()));
            audit.keep(tx, before, Act.PERSON_CHANGED, Thing.of(before), before.address(), waiting.address());
        });
    }

    private AddressChangeStore.Waiting waiting(Tx tx, String token) {
        return changes.find(tx, token, machineClock.instant())
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "address-change.over"));
    }

    private Person active(Tx tx, PersonId id) {
        return people.find(tx, id)
                .filter(Person::active)
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "address-change.over"));
    }
}
