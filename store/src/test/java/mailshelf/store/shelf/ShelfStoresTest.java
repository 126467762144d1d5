package mailshelf.store.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.Trigger;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.work.WorkFailure;
import mailshelf.core.work.WorkKind;
import mailshelf.store.Database;
import mailshelf.store.FreshDatabase;
import mailshelf.store.OneSubscription;
import mailshelf.store.Someone;
import mailshelf.store.Tx;
import mailshelf.store.archive.Entry;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.subscription.SubscriptionStore;
import mailshelf.store.work.WorkFailureStore;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Subscriptions, their versions and numbers, and the issues that stand on the shelf, over real H2. */
class ShelfStoresTest {
    private static final Instant NOW = OneSubscription.NOW;

    @TempDir
    private Path folder;

    private Database database;
    private final SubscriptionStore subscriptions = new SubscriptionStore();
    private final RunStore runs = new RunStore();
    private final IssueStore issues = new IssueStore();
    private OneSubscription house;
    private Person ida;
    private Subscription subscription;

    @BeforeEach
    void one_subscription() {
        database = FreshDatabase.in(folder);
        database.doInTransaction(tx -> {
            house = OneSubscription.kept(tx);
            ida = house.ida();
            subscription = house.subscription();
        });
    }

    @AfterEach
    void close() {
        database.close();
    }

    @Test
    void terms_come_back_as_kept_and_every_version_stays() {
        Subscription renamed = subscription.change(OneSubscription.terms(ida, "Renamed"), NOW);
        assertThat(update(subscription, renamed)).isTrue();

        database.doInTransaction(tx -> {
            assertThat(subscriptions.find(tx, subscription.id())).contains(renamed);
            assertThat(subscriptions.versions(tx, subscription.id()))
                    .extracting(version -> version.terms().name())
                    .containsExactlyInAnyOrder("Cancelled", "Renamed");
            assertThat(subscriptions.version(tx, subscription.id(), 1).terms()).isEqualTo(subscription.terms());
        });
    }

    @Test
    void of_two_who_change_the_same_one_the_slower_is_refused() {
        assertThat(update(subscription, subscription.change(OneSubscription.terms(ida, "First"), NOW)))
                .isTrue();
        assertThat(update(subscription, subscription.change(OneSubscription.terms(ida, "Second"), NOW)))
                .isFalse();
        assertThat(update(subscription, subscription.pause(""))).isFalse();

        assertThat(database.inTransaction(tx -> subscriptions.find(tx, subscription.id()))
                        .orElseThrow()
                        .terms()
                        .name())
                .isEqualTo("First");
    }

    @Test
    void what_is_due_is_active_and_reached() {
        Instant due = subscription.nextDue().orElseThrow();
        assertThat(due(due.minusSeconds(1))).isEmpty();
        assertThat(due(due)).containsExactly(subscription.id());
        assertThat(nextDue()).contains(due);

        update(subscription, subscription.pause("a holiday"));
        assertThat(due(due)).isEmpty();
        assertThat(nextDue()).isEmpty();
    }

    @Test
    void a_row_that_cannot_be_read_is_left_out_of_lists_and_told_to_whoever_asks_for_it() {
        database.doInTransaction(tx -> {
            Subscription other = Subscription.draft(ida.id(), OneSubscription.terms(ida, "Readable"));
            SubscriptionId readable = subscriptions.insert(tx, other.start(NOW), NOW);
            tx.update(
                    "UPDATE subscription_version SET terms = '{\"name\": 1' WHERE subscription = ?", subscription.id());

            assertThat(subscriptions.all(tx)).extracting(Subscription::id).containsExactly(readable);
            assertThat(subscriptions.of(tx, ida.id())).hasSize(1);
            assertThatThrownBy(() -> subscriptions.find(tx, subscription.id())).isInstanceOf(RuntimeException.class);
            assertThat(subscriptions.due(tx, NOW.plusSeconds(86_400), NOW, 10))
                    .as("the loop finds it, so that it is set aside and told")
                    .contains(subscription.id(), readable);
        });
    }

    @Test
    void what_failed_is_not_taken_again_before_its_time_and_never_while_it_is_set_aside() {
        Instant due = subscription.nextDue().orElseThrow();
        long id = subscription.id().value();
        WorkFailureStore failures = new WorkFailureStore();
        database.doInTransaction(tx -> failures.record(
                tx, new WorkFailure(WorkKind.BOOK, id, 1, NOW, Optional.of(NOW.plusSeconds(5)), "broken")));
        assertThat(due(due)).isEmpty();
        assertThat(nextDue()).isEmpty();
        List<SubscriptionId> later = database.inTransaction(tx -> subscriptions.due(tx, due, NOW.plusSeconds(5), 10));
        assertThat(later).containsExactly(subscription.id());

        database.doInTransaction(tx -> {
            failures.record(tx, new WorkFailure(WorkKind.BOOK, id, 5, NOW, Optional.empty(), "broken"));
            assertThat(subscriptions.due(tx, due, NOW.plusSeconds(86_400), 10)).isEmpty();
            assertThat(failures.owner(tx, WorkKind.BOOK, id)).contains(ida.id());
            assertThat(failures.tryAgain(tx, WorkKind.BOOK, id, NOW)).isTrue();
            assertThat(failures.tryAgain(tx, WorkKind.BOOK, id, NOW))
                    .as("asked twice")
                    .isFalse();
        });
        assertThat(due(due)).containsExactly(subscription.id());
    }

    @Test
    void somebody_sees_those_he_owns_and_those_he_is_sent() {
        database.doInTransaction(tx -> {
            assertThat(subscriptions.of(tx, ida.id())).hasSize(1);
            assertThat(subscriptions.of(tx, Someone.kept(tx, "Tor").id())).isEmpty();
            assertThat(subscriptions.ofReport(tx, new ReportId(1))).hasSize(1);
            assertThat(subscriptions.ofReport(tx, new ReportId(2))).isEmpty();
        });
    }

    @Test
    void leaving_is_remembered_once_and_taken_back() {
        database.doInTransaction(tx -> {
            subscriptions.leave(tx, subscription.id(), ida.id(), NOW);
            subscriptions.leave(tx, subscription.id(), ida.id(), NOW);
            assertThat(subscriptions.hasLeft(tx, subscription.id(), ida.id())).isTrue();
            subscriptions.comeBack(tx, subscription.id(), ida.id());
            assertThat(subscriptions.hasLeft(tx, subscription.id(), ida.id())).isFalse();
        });
    }

    @Test
    void two_runs_draw_their_numbers_one_after_the_other() throws Exception {
        CompletableFuture<Integer> second = database.inTransaction(tx -> {
            assertThat(subscriptions.lockNumbering(tx, subscription.id()).nextNumber())
                    .isEqualTo(1);
            CompletableFuture<Integer> waiting = CompletableFuture.supplyAsync(this::nextNumber);
            subscriptions.numbered(tx, subscription.id(), 1, "a".repeat(64));
            return waiting;
        });
        assertThat(second.get(10, TimeUnit.SECONDS)).isEqualTo(2);
    }

    private int nextNumber() {
        return database.inTransaction(
                tx -> subscriptions.lockNumbering(tx, subscription.id()).nextNumber());
    }

    @Test
    void issues_are_found_by_time_and_by_their_neighbours() {
        database.doInTransaction(tx -> {
            IssueId one = issue(tx, 1);
            IssueId two = issue(tx, 2);
            IssueId three = issue(tx, 3);
            assertThat(issues.newest(tx, subscription.id(), 2))
                    .extracting(Issue::id)
                    .containsExactly(three, two);
            assertThat(issues.neighbour(tx, subscription.id(), 2, -1))
                    .map(Issue::id)
                    .contains(one);
            assertThat(issues.neighbour(tx, subscription.id(), 2, 1))
                    .map(Issue::id)
                    .contains(three);
            assertThat(issues.neighbour(tx, subscription.id(), 3, 1)).isEmpty();
            assertThat(issues.since(tx, List.of(subscription.id()), NOW.plusSeconds(2)))
                    .extracting(Issue::id)
                    .containsExactly(two, three);
            assertThat(issues.since(tx, List.of(), NOW)).isEmpty();
        });
    }

    @Test
    void a_copy_stands_on_a_persons_shelf_unread_until_it_is_read() {
        database.doInTransaction(tx -> {
            IssueId issue = issue(tx, 1);
            var file = new IssueStore.CopyFile("pdf", "Cancelled.pdf", "b".repeat(64), 71_000);
            CopyId copy = issues.insertCopy(tx, issue, "1".repeat(64), OneSubscription.copy(), List.of(file));
            issues.putOnShelves(tx, issue, Map.of(ida.id(), copy));

            assertThat(issues.files(tx, copy)).containsExactly(file);
            assertThat(issues.copies(tx, issue)).extracting(Copy::id).containsExactly(copy);
            assertThat(issues.shelf(tx, ida.id()))
                    .extracting(entry -> entry.copy().headline())
                    .containsExactly("Cancelled 33");
            assertThat(issues.shelfEntry(tx, ida.id(), issue).orElseThrow().readAt())
                    .isEmpty();
            issues.setRead(tx, ida.id(), issue, Optional.of(NOW));
            assertThat(issues.shelfEntry(tx, ida.id(), issue).orElseThrow().readAt())
                    .contains(NOW);
        });
    }

    @Test
    void where_a_part_lies_in_the_archive_is_one_look_away() {
        database.doInTransaction(tx -> {
            issue(tx, 1);
            RunId run = new RunId(1);
            Entry entry = new Entry("c".repeat(64), "2026/1/1-r1.1.tar", 512, 71_000);
            issues.insertEntries(tx, run, List.of(entry));
            assertThat(issues.entry(tx, run, "c".repeat(64))).contains(entry);
            assertThat(issues.entry(tx, run, "d".repeat(64))).isEmpty();
            assertThat(issues.end(tx, run, "2026/1/1-r1.1.tar")).isEqualTo(entry.endAt());
            assertThat(issues.end(tx, run, "another.tar")).isZero();
        });
    }

    private boolean update(Subscription before, Subscription after) {
        return database.inTransaction(tx -> subscriptions.update(tx, before, after, ida.id(), NOW));
    }

    private Optional<Instant> nextDue() {
        return database.inTransaction(tx -> subscriptions.nextDue(tx, NOW));
    }

    private List<SubscriptionId> due(Instant at) {
        return database.inTransaction(tx -> subscriptions.due(tx, at, NOW, 10));
    }

    private IssueId issue(Tx tx, int number) {
        RunId run = runs.book(
                tx,
                subscription.id(),
                new Trigger(Trigger.Kind.SCHEDULE, "due " + number),
                Optional.empty(),
                NOW.plusSeconds(number),
                OneSubscription.PINNED,
                List.of(),
                NOW);
        return house.issue(tx, run, number, NOW.plusSeconds(number));
    }
}
