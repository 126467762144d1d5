package mailshelf.server.work;

import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Role;
import mailshelf.core.wording.Words;
import mailshelf.core.work.WorkFailure;
import mailshelf.core.work.WorkKind;
import mailshelf.server.http.Languages;
import mailshelf.server.notice.Notices;
import mailshelf.store.Database;
import mailshelf.store.StoreException;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import mailshelf.store.work.WorkFailureStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Tells the owner and the administrators that something is set aside. */
@Component
class TellSetAside {
    private static final Logger LOG = LoggerFactory.getLogger(TellSetAside.class);

    private final Database database;
    private final WorkFailureStore failures;
    private final PersonStore people;
    private final Notices notices;
    private final SetAsideWords words;

    TellSetAside(
            Database database, WorkFailureStore failures, PersonStore people, Notices notices, SetAsideWords words) {
        this.database = database;
        this.failures = failures;
        this.people = people;
        this.notices = notices;
        this.words = words;
    }

    /** What cannot be told is on the list of what is set aside all the same. */
    void those(WorkFailure failure) {
        if (failure.kind() == WorkKind.NOTIFY) {
            return; // another notice might fail in the same way
        }
        try {
            database.doInTransaction(tx -> recipients(tx, failure).forEach(person -> tell(tx, person, failure)));
        } catch (RuntimeException e) {
            if (StoreException.isDisk(e)) {
                throw e;
            }
            LOG.error("Nobody could be told that {} of {} is set aside", failure.kind(), failure.unit(), e);
        }
    }

    private Stream<Person> recipients(Tx tx, WorkFailure failure) {
        Set<PersonId> owner =
                failures.owner(tx, failure.kind(), failure.unit()).stream().collect(Collectors.toSet());
        return people.all(tx).stream()
                .filter(Person::active)
                .filter(person -> person.is(Role.ADMINISTRATOR) || owner.contains(person.id()));
    }

    private void tell(Tx tx, Person person, WorkFailure failure) {
        Words own = Words.in(Languages.supported(person.locale()));
        String what = words.what(tx, own, failure);
        notices.tell(
                tx,
                person.id(),
                own.say("notice.set-aside.subject", what),
                own.say(
                        "notice.set-aside.body",
                        what,
                        failure.failures(),
                        failure.reason(),
                        words.address(tx, failure)));
    }
}
