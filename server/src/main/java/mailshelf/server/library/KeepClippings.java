package mailshelf.server.library;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import mailshelf.core.Problem;
import mailshelf.core.report.Clip;
import mailshelf.core.report.ClippingId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.wording.OneLine;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.library.ClippingStore;
import mailshelf.store.library.KeptClipping;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import org.springframework.stereotype.Component;

/** Keeps pages that people put together from blocks of reports; each is its owner's alone. */
@Component
class KeepClippings {
    private static final int MOST_CLIPS = 40;

    private final Gate gate;
    private final Database database;
    private final ClippingStore clippings;
    private final ReportStore reports;
    private final Definitions definitions;
    private final FollowClippings follow;

    record ClippingWish(String name, List<Clip> clips) {}

    /** @param version of the clipping that the change was made from */
    record ClippingChange(ClippingWish wish, int version) {}

    /**
     * A clipping in the list of them.
     *
     * @param clips how many blocks it has
     * @param reports titles of those that they are of, as far as he may see them
     */
    record ClippingName(ClippingId id, String name, int clips, List<String> reports) {}

    KeepClippings(
            Gate gate,
            Database database,
            ClippingStore clippings,
            ReportStore reports,
            Definitions definitions,
            FollowClippings follow) {
        this.gate = gate;
        this.database = database;
        this.clippings = clippings;
        this.reports = reports;
        this.definitions = definitions;
        this.follow = follow;
    }

    List<ClippingName> of(Person who) {
        return database.inTransaction(tx -> {
            Gate.Access access = gate.access(tx, who);
            return clippings.of(tx, who.id()).stream()
                    .map(each -> new ClippingName(
                            each.id(), each.name(), each.clips().size(), titles(tx, access, each)))
                    .toList();
        });
    }

    private List<String> titles(Tx tx, Gate.Access access, KeptClipping clipping) {
        return clipping.clips().stream()
                .map(Clip::report)
                .distinct()
                .flatMap(id -> reports.find(tx, id).stream())
                .filter(report -> access.may(Verb.SEE, report.folder()))
                .map(Report::title)
                .toList();
    }

    KeptClipping own(Tx tx, Person who, ClippingId id) {
        return clippings
                .find(tx, id)
                .filter(found -> found.owner().equals(who.id()))
                .orElseThrow(Problem::notFound);
    }

    ClippingId keep(Person who, ClippingWish wish) {
        return database.inTransaction(tx -> {
            require(tx, who, wish, other -> true);
            requireThere(tx, who, wish.clips());
            return clippings.insert(tx, who.id(), wish.name().strip(), wish.clips());
        });
    }

    /** Puts blocks behind those that it has. */
    void add(Person who, ClippingId id, List<Clip> more) {
        database.doInTransaction(tx -> {
            KeptClipping before = own(tx, who, id);
            requireThere(tx, who, more);
            List<Clip> all = new ArrayList<>(before.clips());
            all.addAll(more);
            change(tx, who, before, new ClippingWish(before.name(), all), before.version());
        });
    }

    void change(Person who, ClippingId id, ClippingChange change) {
        database.doInTransaction(tx -> {
            KeptClipping before = own(tx, who, id);
            List<Clip> added = change.wish().clips().stream()
                    .filter(clip -> !before.clips().contains(clip))
                    .toList();
            requireThere(tx, who, added);
            change(tx, who, before, change.wish(), change.version());
        });
    }

    private void change(Tx tx, Person who, KeptClipping before, ClippingWish wish, int version) {
        require(tx, who, wish, other -> !other.id().equals(before.id()));
        KeptClipping after =
                new KeptClipping(before.id(), before.owner(), wish.name().strip(), wish.clips(), version);
        if (!clippings.change(tx, after)) {
            throw new Problem(Problem.Kind.STALE, "clipping.changed-meanwhile", before.name());
        }
        follow.changed(tx, who, after);
    }

    void remove(Person who, ClippingId id) {
        database.doInTransaction(tx -> {
            KeptClipping gone = own(tx, who, id);
            follow.removed(tx, who, gone);
            clippings.remove(tx, gone.id());
        });
    }

    /** @param isOther whether a clipping of the same name is another one */
    private void require(Tx tx, Person who, ClippingWish wish, Predicate<KeptClipping> isOther) {
        if (!OneLine.isName(wish.name())) {
            throw Problem.invalid("clipping.bad-name", OneLine.LONGEST_NAME);
        }
        if (wish.clips().size() > MOST_CLIPS) {
            throw Problem.invalid("clipping.too-many", MOST_CLIPS);
        }
        boolean taken = clippings.of(tx, who.id()).stream()
                .anyMatch(other -> isOther.test(other)
                        && other.name().equalsIgnoreCase(wish.name().strip()));
        if (taken) {
            throw Problem.invalid("clipping.name-taken", wish.name());
        }
    }

    /** What can be read now; what was clipped before and is gone may stay. */
    private void requireThere(Tx tx, Person who, List<Clip> clips) {
        for (Clip clip : clips) {
            Report report = gate.readable(tx, who, clip.report());
            Definitions.Published published = definitions.newest(tx, report);
            if (clip.in(published.definition()).isEmpty()) {
                throw Problem.invalid("clipping.no-such-block", report.title());
            }
            Periods.requireFits(clip.period(), published);
        }
    }
}
