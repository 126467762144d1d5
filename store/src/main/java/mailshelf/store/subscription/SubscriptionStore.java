package mailshelf.store.subscription;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.json.CoreJson;
import mailshelf.core.json.KeptTerms;
import mailshelf.core.report.ClippingId;
import mailshelf.core.report.CutId;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.Shortened;
import mailshelf.core.work.WorkKind;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.Where;
import mailshelf.store.Widths;
import mailshelf.store.work.WorkFailureStore;

/** Subscriptions, every version of their terms, and who has taken himself off. */
public final class SubscriptionStore {
    private static final String SUBSCRIPTION = """
            SELECT s.id, s.owner, s.state, s.paused_because, s.version, s.next_due, v.terms
              FROM subscription s
              JOIN subscription_version v ON v.subscription = s.id AND v.no = s.version
            """;

    private static final String WITH_CONTENT = """
            EXISTS (SELECT 1 FROM subscription_content c
                     WHERE c.subscription = s.id AND c.version = s.version""";

    private static final String MAY_BE_BOOKED = WorkFailureStore.mayBeTried(WorkKind.BOOK, "s.id");

    /** One version of the terms, and who made it when. */
    public record Version(int no, Terms terms, PersonId by, Instant at) {}

    /** What an issue needs to be numbered and chained. */
    public record Numbering(int nextNumber, Optional<String> chainHead) {}

    private static Subscription subscription(Row row) {
        return new Subscription(
                new SubscriptionId(row.number("id")),
                new PersonId(row.number("owner")),
                row.choice("state", State.class),
                row.text("paused_because"),
                row.integer("version"),
                KeptTerms.read(row.text("terms")),
                row.optionalInstant("next_due"));
    }

    public Optional<Subscription> find(Tx tx, SubscriptionId id) {
        return tx.one(SUBSCRIPTION + " WHERE s.id = ?", SubscriptionStore::subscription, id);
    }

    public List<Subscription> all(Tx tx) {
        return tx.listReadable(SUBSCRIPTION + " ORDER BY s.id", SubscriptionStore::subscription);
    }

    /** Those with content of a report. */
    public List<Subscription> ofReport(Tx tx, ReportId report) {
        return tx.listReadable(
                SUBSCRIPTION + " WHERE " + WITH_CONTENT + " AND c.report = ?) ORDER BY s.id",
                SubscriptionStore::subscription,
                report);
    }

    /** Active ones with content of some reports that are sent after loads. */
    public List<Subscription> afterLoads(Tx tx, Collection<ReportId> reports) {
        Where content = new Where()
                .and("c.subscription = s.id AND c.version = s.version")
                .in("c.report", reports);
        return tx.listReadable(
                SUBSCRIPTION
                        + " WHERE s.after_load AND s.state = 'ACTIVE' AND EXISTS (SELECT 1 FROM subscription_content c"
                        + content.sql() + ") ORDER BY s.id",
                SubscriptionStore::subscription,
                content.values());
    }

    /** Those that are not ended and follow a cut. */
    public List<Subscription> following(Tx tx, CutId cut) {
        return tx.listReadable(
                SUBSCRIPTION + " WHERE s.state <> 'ENDED' AND " + WITH_CONTENT + " AND c.follows = ?) ORDER BY s.id",
                SubscriptionStore::subscription,
                cut);
    }

    /** Those that are not ended and follow a clipping. */
    public List<Subscription> following(Tx tx, ClippingId clipping) {
        return tx.listReadable(
                SUBSCRIPTION + " WHERE s.state <> 'ENDED' AND s.clipping = ? ORDER BY s.id",
                SubscriptionStore::subscription,
                clipping);
    }

    /** The reports that each version of a subscription has content of. */
    public Map<Integer, Set<ReportId>> reports(Tx tx, SubscriptionId id) {
        Map<Integer, Set<ReportId>> reports = new HashMap<>();
        tx.list(
                "SELECT version, report FROM subscription_content WHERE subscription = ?",
                row -> reports.computeIfAbsent(row.integer("version"), version -> new HashSet<>())
                        .add(new ReportId(row.number("report"))),
                id);
        return reports;
    }

    /** Those that a person owns or is on the list of. */
    public List<Subscription> of(Tx tx, PersonId person) {
        return tx.listReadable(SUBSCRIPTION + """
                         WHERE s.owner = ?
                            OR s.id IN (SELECT r.subscription FROM subscription_recipient r WHERE r.person = ?)
                         ORDER BY s.id""", SubscriptionStore::subscription, person, person);
    }

    /**
     * Active ones that are due, the longest overdue first; without those that failed and wait for another try.
     *
     * @param machineNow by which they wait
     */
    public List<SubscriptionId> due(Tx tx, Instant now, Instant machineNow, int most) {
        return tx.list(
                "SELECT s.id FROM subscription s WHERE s.state = 'ACTIVE' AND s.next_due <= ? AND " + MAY_BE_BOOKED
                        + "ORDER BY s.next_due, s.id FETCH FIRST ? ROWS ONLY",
                row -> new SubscriptionId(row.number("id")),
                now,
                machineNow,
                most);
    }

    /**
     * When the next of all falls due; without those that failed and wait for another try.
     *
     * @param machineNow by which they wait
     */
    public Optional<Instant> nextDue(Tx tx, Instant machineNow) {
        return tx.one(
                        "SELECT MIN(s.next_due) AS due FROM subscription s WHERE s.state = 'ACTIVE' AND "
                                + MAY_BE_BOOKED,
                        row -> row.optionalInstant("due"),
                        machineNow)
                .flatMap(due -> due);
    }

    /** @param draft its id is not looked at */
    public SubscriptionId insert(Tx tx, Subscription draft, Instant now) {
        SubscriptionId id = new SubscriptionId(tx.insert(
                """
                INSERT INTO subscription
                       (owner, clipping, after_load, state, paused_because, version, next_due, next_number, created_at)
                VALUES (?, ?, ?, ?, ?, 1, ?, 1, ?)""",
                draft.owner(),
                draft.terms().clipping(),
                isAfterLoads(draft),
                draft.state(),
                Shortened.to(Widths.REASON, draft.pausedBecause()),
                draft.nextDue(),
                now));
        insertVersion(tx, id, 1, draft.terms(), draft.owner(), now);
        return id;
    }

    /**
     * Writes a move from one state or version to the next.
     *
     * @return false when it has been moved by somebody else in the meantime
     */
    public boolean update(Tx tx, Subscription before, Subscription after, PersonId by, Instant now) {
        boolean mine = tx.update(
                        """
                        UPDATE subscription
                           SET owner = ?, clipping = ?, after_load = ?, state = ?, paused_because = ?, version = ?, next_due = ?
                         WHERE id = ? AND state = ? AND version = ?
                           AND next_due IS NOT DISTINCT FROM ?""",
                        after.owner(),
                        after.terms().clipping(),
                        isAfterLoads(after),
                        after.state(),
                        Shortened.to(Widths.REASON, after.pausedBecause()),
                        after.version(),
                        after.nextDue(),
                        before.id(),
                        before.state(),
                        before.version(),
                        before.nextDue())
                == 1;
        if (mine && after.version() != before.version()) {
            insertVersion(tx, after.id(), after.version(), after.terms(), by, now);
        }
        return mine;
    }

    private static boolean isAfterLoads(Subscription subscription) {
        return subscription.terms().schedule().afterLoads().isPresent();
    }

    private static void insertVersion(Tx tx, SubscriptionId id, int no, Terms terms, PersonId by, Instant now) {
        tx.update(
                "INSERT INTO subscription_version (subscription, no, terms, by_person, at) VALUES (?, ?, ?, ?, ?)",
                id,
                no,
                CoreJson.write(terms),
                by,
                now);
        List<Object[]> content = new ArrayList<>();
        for (Content each : terms.content()) {
            content.add(new Object[] {id, no, content.size(), each.report(), each.follows()});
        }
        tx.updateEach(
                "INSERT INTO subscription_content (subscription, version, no, report, follows) VALUES (?, ?, ?, ?, ?)",
                content);
        tx.update("DELETE FROM subscription_recipient WHERE subscription = ?", id);
        tx.updateEach(
                "INSERT INTO subscription_recipient (subscription, person) VALUES (?, ?)",
                terms.recipients().stream()
                        .distinct()
                        .map(person -> new Object[] {id, person})
                        .toList());
    }

    public List<Version> versions(Tx tx, SubscriptionId id) {
        return tx.list(
                "SELECT no, terms, by_person, at FROM subscription_version WHERE subscription = ? ORDER BY no DESC",
                SubscriptionStore::version,
                id);
    }

    public Version version(Tx tx, SubscriptionId id, int no) {
        return tx.one(
                        "SELECT no, terms, by_person, at FROM subscription_version WHERE subscription = ? AND no = ?",
                        SubscriptionStore::version,
                        id,
                        no)
                .orElseThrow(() -> new IllegalStateException("Subscription " + id + " has no version " + no));
    }

    private static Version version(Row row) {
        return new Version(
                row.integer("no"),
                KeptTerms.read(row.text("terms")),
                new PersonId(row.number("by_person")),
                row.instant("at"));
    }

    /** Those on the list who have not left it themselves. */
    public List<PersonId> staying(Tx tx, Subscription subscription) {
        return staying(tx, subscription.id(), subscription.terms());
    }

    /** @param terms that it would have */
    public List<PersonId> staying(Tx tx, SubscriptionId id, Terms terms) {
        Set<PersonId> departed = departed(tx, id);
        return terms.recipients().stream()
                .filter(person -> !departed.contains(person))
                .toList();
    }

    /** By whom each person on the list of a version was put there: who made the version since which they are on it. */
    public Map<PersonId, PersonId> listedBy(Tx tx, SubscriptionId id, int version) {
        Map<PersonId, PersonId> listedBy = new HashMap<>();
        List<Version> oldestFirst = new ArrayList<>(versions(tx, id));
        Collections.reverse(oldestFirst);
        for (Version each : oldestFirst) {
            if (each.no() <= version) {
                List<PersonId> listed = each.terms().recipients();
                listedBy.keySet().retainAll(listed);
                listed.forEach(person -> listedBy.putIfAbsent(person, each.by()));
            }
        }
        return listedBy;
    }

    public boolean hasLeft(Tx tx, SubscriptionId id, PersonId person) {
        return leftAt(tx, id, person).isPresent();
    }

    /** When somebody left who has not come back. */
    public Optional<Instant> leftAt(Tx tx, SubscriptionId id, PersonId person) {
        return tx.one(
                "SELECT at FROM departure WHERE subscription = ? AND person = ?", row -> row.instant("at"), id, person);
    }

    public Set<PersonId> departed(Tx tx, SubscriptionId id) {
        return Set.copyOf(tx.list(
                "SELECT person FROM departure WHERE subscription = ?", row -> new PersonId(row.number("person")), id));
    }

    /** Leaving twice is leaving once. */
    public void leave(Tx tx, SubscriptionId id, PersonId person, Instant now) {
        if (!hasLeft(tx, id, person)) {
            tx.update("INSERT INTO departure (subscription, person, at) VALUES (?, ?, ?)", id, person, now);
        }
    }

    public void comeBack(Tx tx, SubscriptionId id, PersonId person) {
        tx.update("DELETE FROM departure WHERE subscription = ? AND person = ?", id, person);
    }

    /** The next number as it stands; another run may draw it meanwhile. */
    public Numbering numbering(Tx tx, SubscriptionId id) {
        return numbering(tx, id, "");
    }

    /** As {@link #numbering}, with the row locked, so that numbers are drawn one after the other. */
    public Numbering lockNumbering(Tx tx, SubscriptionId id) {
        return numbering(tx, id, " FOR UPDATE");
    }

    private static Numbering numbering(Tx tx, SubscriptionId id, String lock) {
        return tx.one(
                        "SELECT next_number, chain_head FROM subscription WHERE id = ?" + lock,
                        row -> new Numbering(row.integer("next_number"), row.optionalText("chain_head")),
                        id)
                .orElseThrow();
    }

    public void numbered(Tx tx, SubscriptionId id, int number, String chainHead) {
        tx.update("UPDATE subscription SET next_number = ?, chain_head = ? WHERE id = ?", number + 1, chainHead, id);
    }
}
