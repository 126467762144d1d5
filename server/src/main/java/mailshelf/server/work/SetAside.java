package mailshelf.server.work;

import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.delivery.RunId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Role;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.wording.Words;
import mailshelf.core.work.WorkFailure;
import mailshelf.core.work.WorkKind;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.Alarm;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.Tx;
import mailshelf.store.work.WorkFailureStore;
import org.springframework.stereotype.Component;

/** What is set aside, for its owners and for administrators, who may have it tried again; auditors look. */
@Component
class SetAside {
    private final Database database;
    private final Durable durable;
    private final WorkFailureStore failures;
    private final SetAsideWords words;
    private final Gate gate;
    private final AuditTrail audit;
    private final Alarm alarm;
    private final InstantSource machineClock;

    /**
     * One unit.
     *
     * @param unit its id among those of its kind
     * @param what it is, in words
     * @param failures how often it was tried
     * @param subscription that it belongs to, if it does
     * @param run that it belongs to, if it does
     */
    record SetAsideView(
            WorkKind kind,
            long unit,
            String what,
            String reason,
            int failures,
            Instant failedAt,
            boolean mayTryAgain,
            Optional<SubscriptionId> subscription,
            Optional<RunId> run) {}

    SetAside(
            Database database,
            Durable durable,
            WorkFailureStore failures,
            SetAsideWords words,
            Gate gate,
            AuditTrail audit,
            Alarm alarm,
            InstantSource machineClock) {
        this.database = database;
        this.durable = durable;
        this.failures = failures;
        this.words = words;
        this.gate = gate;
        this.audit = audit;
        this.alarm = alarm;
        this.machineClock = machineClock;
    }

    /** Of the whole organisation for those who read its settings, of one's own things for others. */
    List<SetAsideView> all(Person who) {
        boolean readsAll = gate.readsHouse(who);
        return database.inTransaction(tx -> failures.setAside(tx).stream()
                .filter(failure -> readsAll || owns(tx, who, failure))
                .map(failure -> view(tx, who, failure))
                .toList());
    }

    private SetAsideView view(Tx tx, Person who, WorkFailure failure) {
        return new SetAsideView(
                failure.kind(),
                failure.unit(),
                words.what(tx, Words.in(Languages.supported(who.locale())), failure),
                failure.reason(),
                failure.failures(),
                failure.failedAt(),
                mayTryAgain(tx, who, failure),
                failures.subscription(tx, failure.kind(), failure.unit()),
                failures.run(tx, failure.kind(), failure.unit()));
    }

    private boolean owns(Tx tx, Person who, WorkFailure failure) {
        Optional<PersonId> owner = failures.owner(tx, failure.kind(), failure.unit());
        return owner.equals(Optional.of(who.id()));
    }

    private boolean mayTryAgain(Tx tx, Person who, WorkFailure failure) {
        return who.is(Role.ADMINISTRATOR) || owns(tx, who, failure);
    }

    /** @throws Problem not found, also where it is not set aside any more */
    void tryAgain(Person who, WorkKind kind, long unit) {
        database.doInTransaction(tx -> {
            WorkFailure failure = failures.find(tx, kind, unit)
                    .filter(WorkFailure::isSetAside)
                    .filter(found -> mayTryAgain(tx, who, found))
                    .orElseThrow(Problem::notFound);
            failures.tryAgain(tx, kind, unit, machineClock.instant());
            Words own = Words.in(Languages.supported(who.locale()));
            audit.keep(tx, who, Act.WORK_TRIED_AGAIN, new Thing(Thing.Kind.WORK, unit, words.what(tx, own, failure)));
        });
        durable.await();
        alarm.ring();
    }
}
