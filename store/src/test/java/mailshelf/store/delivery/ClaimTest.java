package mailshelf.store.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.audience.Recipient;
import mailshelf.core.delivery.Answer;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.DeliveryState;
import mailshelf.core.delivery.DeliveryStep;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunRecipientId;
import mailshelf.core.delivery.RunState;
import mailshelf.core.delivery.Trigger;
import mailshelf.core.rights.Person;
import mailshelf.store.Database;
import mailshelf.store.FreshDatabase;
import mailshelf.store.OneSubscription;
import mailshelf.store.Tx;
import mailshelf.store.shelf.IssueStore;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Two workers over the same tables: who has the lease has the say, and nothing is done twice. */
class ClaimTest {
    private static final Instant NOW = OneSubscription.NOW;

    @TempDir
    private Path folder;

    private Database database;
    private final RunStore runs = new RunStore();
    private final DeliveryStore deliveries = new DeliveryStore();
    private final WorkerStore workers = new WorkerStore();
    private OneSubscription house;
    private RunId run;

    @BeforeEach
    void one_run_booked() {
        database = FreshDatabase.in(folder);
        house = database.inTransaction(OneSubscription::kept);
        run = database.inTransaction(this::book);
        database.doInTransaction(tx -> {
            workers.begin(tx, "one", 1);
            workers.begin(tx, "two", 2);
        });
    }

    @AfterEach
    void close() {
        database.close();
    }

    @Test
    void the_same_trigger_books_one_run() {
        RunId again = database.inTransaction(this::book);

        assertThat(again).isEqualTo(run);
    }

    @Test
    void a_run_is_worked_on_by_one_at_a_time_and_taken_over_when_that_one_is_not_heard_of() {
        List<Run> first = claim("one");
        lastBeat("one", 29);
        List<Run> meanwhile = claim("two");
        lastBeat("one", 31);
        List<Run> later = claim("two");

        assertThat(first).hasSize(1);
        assertThat(meanwhile).isEmpty();
        assertThat(later).hasSize(1);
        assertThat(later.get(0).attempt()).isEqualTo(2);
    }

    @Test
    void a_worker_that_is_heard_of_keeps_what_it_holds_and_a_new_life_of_its_server_frees_it() {
        claim("one");
        lastBeat("one", 31);
        database.doInTransaction(tx -> workers.beat(tx, "one"));
        List<Run> alive = claim("two");
        database.doInTransaction(tx -> workers.begin(tx, "one again", 1));
        List<Run> freed = claim("one again");

        assertThat(alive).isEmpty();
        assertThat(freed).hasSize(1);
    }

    @Test
    void what_a_worker_holds_itself_is_not_free_to_it_however_late_its_beat() {
        claim("one");
        lastBeat("one", 31);

        assertThat(claim("one")).isEmpty();
    }

    @Test
    void after_a_suspension_a_worker_asks_before_it_sends() {
        deliver();
        Delivery mail = claimDelivery("one").get(0);
        assertThat(isHeld(mail)).isTrue();

        lastBeat("one", 31);

        assertThat(isHeld(mail)).as("another may have taken it over").isFalse();
    }

    private boolean isHeld(Delivery mail) {
        return database.inTransaction(tx -> deliveries.isHeld(tx, mail, "one"));
    }

    @Test
    void a_worker_that_lost_its_lease_cannot_overwrite_its_successor() {
        Run slow = claim("one").get(0);
        lastBeat("one", 31);
        Run successor = claim("two").get(0);

        assertThat(move(slow, "one")).isFalse();
        assertThat(move(successor, "two")).isTrue();
    }

    @Test
    void a_delivery_is_handed_out_once_and_a_try_without_an_answer_is_known_after_a_crash() {
        deliver();
        Delivery first = claimDelivery("one").get(0);
        assertThat(claimDelivery("two")).isEmpty();

        lastBeat("one", 31);
        Delivery again = claimDelivery("two").get(0);

        boolean missing = database.inTransaction(tx -> deliveries.lastAnswerIsMissing(tx, again));
        assertThat(missing).isTrue();
        assertThat(answer(first, "one")).isFalse();
        assertThat(answer(again, "two")).isTrue();
        Delivery kept =
                database.inTransaction(tx -> deliveries.find(tx, again.id())).orElseThrow();
        assertThat(kept.state()).isEqualTo(DeliveryState.ACCEPTED);
    }

    private void lastBeat(String owner, int secondsAgo) {
        database.doInTransaction(tx -> tx.update(
                "UPDATE worker SET beat_at = DATEADD(SECOND, ?, CURRENT_TIMESTAMP) WHERE owner = ?",
                -secondsAgo,
                owner));
    }

    private List<Run> claim(String owner) {
        return database.inTransaction(tx -> runs.claimDue(tx, new Lease(owner), NOW, 10).stream()
                .map(id -> runs.find(tx, id).orElseThrow())
                .toList());
    }

    private boolean move(Run claimed, String owner) {
        return database.inTransaction(
                tx -> runs.move(tx, claimed, owner, RunState.CLOSED, RunOutcome.SKIPPED, "No rows.", NOW));
    }

    private List<Delivery> claimDelivery(String owner) {
        return database.inTransaction(tx -> deliveries.claim(tx, new Lease(owner), NOW, NOW, 10));
    }

    private boolean answer(Delivery delivery, String owner) {
        Answer answer = new Answer.Accepted("250 ok");
        return database.inTransaction(tx -> deliveries.answered(
                tx, delivery, owner, answer, DeliveryStep.after(answer, delivery.attempts(), NOW), NOW));
    }

    private void deliver() {
        database.doInTransaction(tx -> {
            var issue = house.issue(tx, run, 1, NOW);
            CopyId copy = new IssueStore().insertCopy(tx, issue, "1".repeat(64), OneSubscription.copy(), List.of());
            RunRecipientId first = runs.recipients(tx, run).get(0).id();
            var mail = new DeliveryStore.Planned(first, copy, DeliveryState.WAITING);
            deliveries.insert(tx, run, List.of(mail), "shelf.example", NOW);
        });
    }

    private RunId book(Tx tx) {
        Person ida = house.ida();
        var recipient = new Recipient(ida.id(), ida.name(), ida.address(), Recipient.Inclusion.INCLUDED);
        return runs.book(
                tx,
                house.subscription().id(),
                new Trigger(Trigger.Kind.SCHEDULE, NOW.toString()),
                Optional.empty(),
                NOW,
                OneSubscription.PINNED,
                List.of(recipient),
                NOW);
    }
}
