package mailshelf.server.library;

import java.time.Instant;
import java.util.List;
import java.util.function.Predicate;
import mailshelf.core.Problem;
import mailshelf.core.data.Allowed;
import mailshelf.core.report.Cut;
import mailshelf.core.report.CutId;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.wording.OneLine;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.data.Viewers;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.library.CutStore;
import mailshelf.store.library.KeptCut;
import mailshelf.store.library.Report;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;

/** Keeps ways of looking at a report: one's own, or shared with all who may read it. */
@Component
class KeepCuts {
    private static final int LONGEST_ABOUT = 500;

    private final Gate gate;
    private final Database database;
    private final CutStore cuts;
    private final Viewers viewers;
    private final Definitions definitions;
    private final FollowCuts follow;
    private final PersonStore people;
    private final BusinessClock clock;

    /** A cut as somebody writes it. */
    record CutWish(String name, String about, boolean shared, Cut cut) {}

    /** @param version of the cut that the change was made from */
    record CutChange(CutWish wish, int version) {}

    /**
     * A kept cut.
     *
     * @param mayChange whether the reader may change and remove it
     * @param fits whether the report still has what it names
     * @param followers subscriptions that change with it, as far as the reader may see them; told to who may change it
     * @param moreFollow how many others do
     */
    record CutView(
            CutId id,
            String name,
            String about,
            boolean shared,
            String owner,
            boolean mayChange,
            boolean fits,
            Cut cut,
            int version,
            Instant changedAt,
            List<FollowerView> followers,
            int moreFollow) {}

    /** A subscription that follows a cut. */
    record FollowerView(SubscriptionId id, String name, String owner) {}

    /** @param mayShare whether the reader may share cuts of this report */
    record CutsView(List<CutView> cuts, boolean mayShare) {}

    KeepCuts(
            Gate gate,
            Database database,
            CutStore cuts,
            Viewers viewers,
            Definitions definitions,
            FollowCuts follow,
            PersonStore people,
            BusinessClock clock) {
        this.gate = gate;
        this.database = database;
        this.cuts = cuts;
        this.viewers = viewers;
        this.definitions = definitions;
        this.follow = follow;
        this.people = people;
        this.clock = clock;
    }

    /** Those that somebody may use: his own and the shared ones. */
    CutsView of(Person who, ReportId id) {
        return database.inTransaction(tx -> {
            Report report = gate.readable(tx, who, id);
            Gate.Access access = gate.access(tx, who);
            boolean mayShare = mayShare(access, report);
            Predicate<KeptCut> isShown = isShown(tx, who, report);
            return new CutsView(
                    cuts.ofReport(tx, id, who.id()).stream()
                            .filter(isShown)
                            .map(cut -> view(tx, who, access, report, mayShare, cut))
                            .toList(),
                    mayShare);
        });
    }

    /** Whether a cut of a report is somebody's own, or names no values that row rules hide from them. */
    private Predicate<KeptCut> isShown(Tx tx, Person who, Report report) {
        List<Allowed> allowed =
                viewers.of(tx, who, definitions.newest(tx, report).dataSet()).allowed();
        return cut -> cut.owner().equals(who.id()) || namesOnly(cut.cut(), allowed);
    }

    /** Whether its filters name no values but those that row rules let somebody see. */
    private static boolean namesOnly(Cut cut, List<Allowed> allowed) {
        return cut.filters().stream()
                .allMatch(filter -> allowed.stream()
                        .filter(rule -> rule.column().equals(filter.column()))
                        .allMatch(rule -> rule.values().containsAll(filter.values())));
    }

    private CutView view(Tx tx, Person who, Gate.Access access, Report report, boolean mayShare, KeptCut cut) {
        boolean mayChange = mayChange(who, mayShare, cut);
        List<Subscription> all = mayChange ? follow.followers(tx, cut.id()) : List.of();
        List<FollowerView> shown = all.stream()
                .filter(each -> gate.isVisible(tx, access, who, each))
                .map(each -> new FollowerView(each.id(), each.terms().name(), name(tx, each.owner())))
                .toList();
        return new CutView(
                cut.id(),
                cut.name(),
                cut.about(),
                cut.shared(),
                name(tx, cut.owner()),
                mayChange,
                fits(tx, report, cut.cut()),
                cut.cut(),
                cut.version(),
                cut.changedAt(),
                shown,
                all.size() - shown.size());
    }

    private boolean fits(Tx tx, Report report, Cut cut) {
        Definitions.Published published = definitions.newest(tx, report);
        return cut.fits(published.definition()) && Periods.fits(cut.period(), published);
    }

    private String name(Tx tx, PersonId person) {
        return people.find(tx, person).orElseThrow().name();
    }

    private static boolean mayShare(Gate.Access access, Report report) {
        return access.may(Verb.PUBLISH, report.folder()) || access.may(Verb.SUBSCRIBE_TEAMMATES, report.folder());
    }

    private static boolean mayChange(Person who, boolean mayShare, KeptCut cut) {
        return cut.owner().equals(who.id()) || (cut.shared() && mayShare);
    }

    CutId keep(Person who, ReportId id, CutWish wish) {
        return database.inTransaction(tx -> {
            Report report = gate.readable(tx, who, id);
            require(tx, who, report, wish, other -> true);
            return cuts.insert(
                    tx,
                    new KeptCut(
                            new CutId(0),
                            id,
                            who.id(),
                            wish.name(),
                            wish.about(),
                            wish.shared(),
                            wish.cut(),
                            1,
                            clock.instant()));
        });
    }

    void change(Person who, CutId id, CutChange change) {
        database.doInTransaction(tx -> {
            KeptCut before = changeable(tx, who, id);
            CutWish wish = change.wish();
            Report report = gate.readable(tx, who, before.report());
            require(tx, who, report, wish, other -> !other.id().equals(id));
            KeptCut after = new KeptCut(
                    id,
                    before.report(),
                    before.owner(),
                    wish.name(),
                    wish.about(),
                    wish.shared(),
                    wish.cut(),
                    change.version(),
                    clock.instant());
            if (!cuts.change(tx, after)) {
                throw new Problem(Problem.Kind.STALE, "cut.changed-meanwhile", before.name());
            }
            follow.changed(tx, who, after, definitions.definition(tx, report));
        });
    }

    void remove(Person who, CutId id) {
        database.doInTransaction(tx -> {
            KeptCut cut = changeable(tx, who, id);
            follow.removed(tx, who, cut, definitions.definition(tx, gate.readable(tx, who, cut.report())));
            cuts.remove(tx, id);
        });
    }

    private KeptCut changeable(Tx tx, Person who, CutId id) {
        KeptCut cut = cuts.find(tx, id).orElseThrow(Problem::notFound);
        Report report = gate.readable(tx, who, cut.report());
        if (!cut.isUsableBy(who.id())) {
            throw Problem.notFound();
        }
        if (!mayChange(who, mayShare(gate.access(tx, who), report), cut)) {
            throw new Problem(Problem.Kind.FORBIDDEN, "cut.not-yours", cut.name());
        }
        return cut;
    }

    /** @param isOther whether a cut of the same name is another one */
    private void require(Tx tx, Person who, Report report, CutWish wish, Predicate<KeptCut> isOther) {
        if (!OneLine.isName(wish.name())) {
            throw Problem.invalid("cut.bad-name", OneLine.LONGEST_NAME);
        }
        if (wish.about().length() > LONGEST_ABOUT) {
            throw Problem.invalid("cut.about-too-long", LONGEST_ABOUT);
        }
        if (wish.shared() && !mayShare(gate.access(tx, who), report)) {
            throw new Problem(Problem.Kind.FORBIDDEN, "cut.no-sharing");
        }
        if (!fits(tx, report, wish.cut())) {
            throw Problem.invalid("cut.does-not-fit", report.title());
        }
        // what is not shown does not stand in the way either: it would be told by that
        cuts.named(tx, report.folder(), wish.name(), who.id()).stream()
                .filter(isOther)
                .filter(other ->
                        isShown(tx, who, gate.readable(tx, who, other.report())).test(other))
                .findFirst()
                .ifPresent(other -> {
                    throw new Problem(Problem.Kind.INVALID, "cut.name-taken", wish.name(), name(tx, other.owner()));
                });
    }
}
