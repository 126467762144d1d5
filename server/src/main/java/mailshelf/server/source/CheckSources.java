package mailshelf.server.source;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.SourceId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.wording.Words;
import mailshelf.core.work.WorkKind;
import mailshelf.server.HouseSettings;
import mailshelf.server.clock.Alarm;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.library.Definitions;
import mailshelf.server.notice.Notices;
import mailshelf.server.work.Loop;
import mailshelf.server.work.LoopHealth;
import mailshelf.server.work.WorkIsolation;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.source.Databases;
import mailshelf.store.source.Source;
import mailshelf.store.source.SourceRoots;
import mailshelf.store.source.SourceStore;
import mailshelf.store.source.WatchedFolder;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * Looks every so often whether sources can be reached with the passwords that are kept, so that the owners of what comes from
 * them learn of a fault before the next send does.
 */
@Component
class CheckSources implements SmartLifecycle {
    private final Words house = Words.in(Locale.ENGLISH);
    private static final Duration LOOK = Duration.ofSeconds(5);
    private static final Duration EVERY = Duration.ofMinutes(15);

    private final Database database;
    private final SourceStore sources;
    private final DataSetStore dataSets;
    private final Definitions definitions;
    private final SubscriptionStore subscriptions;
    private final PersonStore people;
    private final Databases databases;
    private final Notices notices;
    private final HouseSettings settings;
    private final BusinessClock clock;
    private final InstantSource machineClock;
    private final WorkIsolation isolation;
    private final SourceRoots roots;
    private final Loop loop;

    CheckSources(
            Database database,
            SourceStore sources,
            DataSetStore dataSets,
            Definitions definitions,
            SubscriptionStore subscriptions,
            PersonStore people,
            Databases databases,
            Notices notices,
            HouseSettings settings,
            BusinessClock clock,
            InstantSource machineClock,
            WorkIsolation isolation,
            SourceRoots roots,
            LoopHealth health) {
        this.loop = health.watch(new Loop("check-sources", new Alarm(), this::look));
        this.database = database;
        this.sources = sources;
        this.dataSets = dataSets;
        this.definitions = definitions;
        this.subscriptions = subscriptions;
        this.people = people;
        this.databases = databases;
        this.notices = notices;
        this.settings = settings;
        this.clock = clock;
        this.machineClock = machineClock;
        this.isolation = isolation;
        this.roots = roots;
    }

    /** @throws Problem that says why it cannot be reached */
    void reach(Source source) {
        switch (source.kind()) {
            case DATABASE -> databases.test(source);
            case FOLDER -> new WatchedFolder(source, roots).files("*");
        }
    }

    private Duration look() {
        Instant now = clock.instant();
        Instant since = now.minus(EVERY);
        for (SourceId id : database.inTransaction(tx -> sources.unchecked(tx, since, machineClock.instant()))) {
            loop.isAlive();
            isolation.attempt(WorkKind.CHECK_SOURCE, id, () -> {
                if (database.inTransaction(tx -> sources.claimCheck(tx, id, since, now))) {
                    check(database.inTransaction(tx -> sources.find(tx, id)).orElseThrow());
                }
            });
        }
        return LOOK;
    }

    private void check(Source source) {
        Optional<Problem> failed = failed(source);
        database.doInTransaction(tx -> {
            boolean isNews = sources.checked(tx, source.id()).failure().isEmpty();
            sources.keepChecked(tx, source.id(), failed.map(this::said).orElse(""));
            if (isNews && failed.isPresent()) {
                tellOwners(tx, source, said(failed.get()));
            }
        });
    }

    private Optional<Problem> failed(Source source) {
        try {
            reach(source);
            return Optional.empty();
        } catch (Problem e) {
            return Optional.of(e);
        }
    }

    private String said(Problem problem) {
        return problem.sentences(house).get(0);
    }

    /** Those whose last load failed know already. */
    private void tellOwners(Tx tx, Source source, String failure) {
        List<DataSet> concerned = dataSets.of(tx, source.id()).stream()
                .filter(dataSet -> dataSets.failedLast(tx, dataSet.id()).isEmpty())
                .toList();
        concerned.stream().map(DataSet::owner).distinct().forEach(owner -> {
            List<DataSet> own = concerned.stream()
                    .filter(dataSet -> dataSet.owner().equals(owner))
                    .toList();
            tell(tx, owner, source, failure, own);
        });
    }

    private void tell(Tx tx, PersonId id, Source source, String failure, List<DataSet> own) {
        Person owner = people.find(tx, id).orElseThrow();
        Words words = Words.in(Languages.supported(owner.locale()));
        String next = next(tx, own)
                .map(subscription -> words.say(
                        "notice.source.next",
                        subscription.terms().name(),
                        words.dates(owner.zone()).moment(subscription.nextDue().orElseThrow())))
                .orElse("");
        notices.tell(
                tx,
                id,
                words.say("notice.source.subject", source.name()),
                words.say(
                        "notice.source.body",
                        failure,
                        words.list(own.stream().map(DataSet::name).toList()),
                        next,
                        settings.baseUrl() + "/data/" + own.get(0).id().value()));
    }

    /** Which is sent next of those that show some data. */
    private Optional<Subscription> next(Tx tx, List<DataSet> shown) {
        return shown.stream()
                .flatMap(dataSet -> definitions.over(tx, dataSet.id()).stream())
                .flatMap(report -> subscriptions.ofReport(tx, report).stream())
                .filter(subscription -> subscription.nextDue().isPresent())
                .min(Comparator.comparing(subscription -> subscription.nextDue().orElseThrow()));
    }

    @Override
    public void start() {
        loop.start();
    }

    @Override
    public void stop() {
        loop.end();
    }

    @Override
    public boolean isRunning() {
        return loop.isRunning();
    }
}
