package mailshelf.store.delivery;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mailshelf.core.delivery.Answer;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.DeliveryId;
import mailshelf.core.delivery.DeliveryState;
import mailshelf.core.delivery.DeliveryStep;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunRecipientId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.Shortened;
import mailshelf.core.work.WorkKind;
import mailshelf.store.Installation;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.Widths;
import mailshelf.store.work.WorkFailureStore;

/** Deliveries: the outbox, their leases, and every try with its answer. */
public final class DeliveryStore {
    private static final String DELIVERY = """
            SELECT d.id, d.run, d.copy, d.message_id, d.mail_sha, d.state, d.attempts, d.next_try,
                   r.person, r.name, r.address
              FROM delivery d
              JOIN run_recipient r ON r.id = d.run_recipient
            """;
    private static final String OPEN = "state IN ('WAITING', 'TRYING_AGAIN')";
    private static final String MAY_BE_SENT = WorkFailureStore.mayBeTried(WorkKind.SEND, "d.id");
    private static final String DUE =
            DELIVERY + " WHERE d.state = ? AND d.next_try <= ? AND " + Lease.FREE + " AND " + MAY_BE_SENT + """
             ORDER BY d.state, d.next_try, d.id
             FETCH FIRST ? ROWS ONLY""";

    /** One try and its answer. */
    public record Attempt(int no, Instant at, String answer, String reply) {}

    private static Delivery delivery(Row row) {
        return new Delivery(
                new DeliveryId(row.number("id")),
                new RunId(row.number("run")),
                new PersonId(row.number("person")),
                row.text("name"),
                row.text("address"),
                new CopyId(row.number("copy")),
                row.text("message_id"),
                row.optionalText("mail_sha"),
                row.choice("state", DeliveryState.class),
                row.integer("attempts"),
                row.instant("next_try"));
    }

    /**
     * A mail to be: to whom, with what.
     *
     * @param state waiting, or the reason why it is not sent at all
     */
    public record Planned(RunRecipientId recipient, CopyId copy, DeliveryState state) {}

    /** Puts mails in the outbox; the Message-ID of each is made from the installation and its recipient. */
    public void insert(Tx tx, RunId run, List<Planned> mails, String mailDomain, Instant firstTry) {
        String installation = Installation.identity(tx);
        tx.updateEach(
                """
                INSERT INTO delivery (run, run_recipient, destination, copy, message_id, state, attempts, next_try)
                VALUES (?, ?, 'MAIL', ?, ?, ?, 0, ?)""",
                mails.stream()
                        .map(mail -> new Object[] {
                            run,
                            mail.recipient(),
                            mail.copy(),
                            "<run-" + run.value() + ".recipient-"
                                    + mail.recipient().value() + "." + installation + "@" + mailDomain + ">",
                            mail.state(),
                            firstTry
                        })
                        .toList());
    }

    public List<Delivery> ofRun(Tx tx, RunId run) {
        return tx.list(DELIVERY + " WHERE d.run = ? ORDER BY d.id", DeliveryStore::delivery, run);
    }

    public Optional<Delivery> find(Tx tx, DeliveryId id) {
        return tx.one(DELIVERY + " WHERE d.id = ?", DeliveryStore::delivery, id);
    }

    /**
     * Takes deliveries that are due and that nobody works on; at most half of them tried before, so that neither kind
     * starves the other. The try is counted before it is made, so that one whose answer was never recorded is known
     * after a crash.
     *
     * @param now by the business clock, as tries are
     * @param machineNow by which those wait that failed unexpectedly
     */
    public List<Delivery> claim(Tx tx, Lease lease, Instant now, Instant machineNow, int most) {
        List<Delivery> free = new ArrayList<>(due(tx, DeliveryState.TRYING_AGAIN, lease, now, machineNow, most / 2));
        free.addAll(due(tx, DeliveryState.WAITING, lease, now, machineNow, most - free.size()));
        int[] mine = tx.updateEach(
                "UPDATE delivery SET lease_owner = ?, attempts = attempts + 1 WHERE id = ? AND attempts = ? AND " + OPEN
                        + " AND " + Lease.FREE,
                free.stream()
                        .map(delivery ->
                                new Object[] {lease.owner(), delivery.id(), delivery.attempts(), lease.owner()})
                        .toList());
        return IntStream.range(0, mine.length)
                .filter(i -> mine[i] == 1)
                .mapToObj(i -> free.get(i).tried())
                .toList();
    }

    private static List<Delivery> due(
            Tx tx, DeliveryState state, Lease lease, Instant now, Instant machineNow, int most) {
        return tx.list(DUE, DeliveryStore::delivery, state, now, lease.owner(), machineNow, most);
    }

    /** Whether it is still this worker's, who is taken for alive, and this try the newest. */
    public boolean isHeld(Tx tx, Delivery delivery, String owner) {
        return tx.count(
                        "SELECT COUNT(*) AS n FROM delivery WHERE id = ? AND attempts = ? AND " + Lease.HELD,
                        delivery.id(),
                        delivery.attempts(),
                        owner)
                == 1;
    }

    /** Gives one back whose try was not begun. */
    public void release(Tx tx, Delivery delivery, String owner, Instant nextTry) {
        tx.update("""
                UPDATE delivery
                   SET lease_owner = NULL, attempts = attempts - 1, next_try = ?
                 WHERE id = ? AND attempts = ? AND lease_owner = ?""", nextTry, delivery.id(), delivery.attempts(), owner);
    }

    /** Gives one back whose try was begun: it may be claimed for another. */
    public void letGo(Tx tx, Delivery delivery, String owner) {
        tx.update(
                "UPDATE delivery SET lease_owner = NULL WHERE id = ? AND attempts = ? AND lease_owner = ?",
                delivery.id(),
                delivery.attempts(),
                owner);
    }

    /** Whether the try before this one was begun and its answer never recorded: the mail may be out already. */
    public boolean lastAnswerIsMissing(Tx tx, Delivery delivery) {
        int before = delivery.attempts() - 1;
        return before > 0
                && tx.count("SELECT COUNT(*) AS n FROM attempt WHERE delivery = ? AND no = ?", delivery.id(), before)
                        == 0;
    }

    /** @param mails the checksum of each delivery's kept mail */
    public void putTogether(Tx tx, Map<DeliveryId, String> mails) {
        tx.updateEach(
                "UPDATE delivery SET mail_sha = ? WHERE id = ?",
                mails.entrySet().stream()
                        .map(mail -> new Object[] {mail.getValue(), mail.getKey()})
                        .toList());
    }

    /** Records an answer and what follows; false when the lease was lost to another worker. */
    public boolean answered(Tx tx, Delivery delivery, String owner, Answer answer, DeliveryStep step, Instant now) {
        int mine = tx.update("""
                UPDATE delivery
                   SET state = ?, next_try = ?, lease_owner = NULL
                 WHERE id = ? AND attempts = ? AND lease_owner = ?""", step.state(), step.nextTry().orElse(now), delivery.id(), delivery.attempts(), owner);
        if (mine == 1) {
            recordAttempt(tx, delivery.id(), delivery.attempts(), answer, now);
        }
        return mine == 1;
    }

    public void recordAttempt(Tx tx, DeliveryId id, int no, Answer answer, Instant now) {
        tx.update(
                "INSERT INTO attempt (delivery, no, at, answer, reply) VALUES (?, ?, ?, ?, ?)",
                id,
                no,
                now,
                answer.getClass().getSimpleName().toUpperCase(Locale.ROOT),
                Shortened.to(Widths.REPLY, answer.reply()));
    }

    /** Holds a delivery back for good without a try. */
    public boolean withdraw(Tx tx, Delivery delivery, String owner) {
        return tx.update("""
                        UPDATE delivery
                           SET state = 'WITHDRAWN', lease_owner = NULL, attempts = attempts - 1
                         WHERE id = ? AND attempts = ? AND lease_owner = ?""", delivery.id(), delivery.attempts(), owner) == 1;
    }

    public List<Attempt> attempts(Tx tx, DeliveryId id) {
        return tx.list(
                "SELECT no, at, answer, reply FROM attempt WHERE delivery = ? ORDER BY no", DeliveryStore::attempt, id);
    }

    /** All tries of a run's deliveries, in order. */
    public Map<DeliveryId, List<Attempt>> attemptsOfRun(Tx tx, RunId run) {
        record Of(DeliveryId delivery, Attempt attempt) {}
        return tx.list("""
                        SELECT a.delivery, a.no, a.at, a.answer, a.reply
                          FROM attempt a
                          JOIN delivery d ON d.id = a.delivery
                         WHERE d.run = ?
                         ORDER BY a.delivery, a.no""", row -> new Of(new DeliveryId(row.number("delivery")), attempt(row)), run).stream()
                .collect(Collectors.groupingBy(Of::delivery, Collectors.mapping(Of::attempt, Collectors.toList())));
    }

    private static Attempt attempt(Row row) {
        return new Attempt(row.integer("no"), row.instant("at"), row.text("answer"), row.text("reply"));
    }

    /** Has a delivery tried again now; false where it is under way or has been accepted. */
    public boolean tryAgain(Tx tx, DeliveryId id, Instant now) {
        return tx.update("""
                        UPDATE delivery
                           SET state = 'TRYING_AGAIN', next_try = ?
                         WHERE id = ? AND state IN ('TRYING_AGAIN', 'REFUSED', 'GIVEN_UP') AND lease_owner IS NULL""", now, id) == 1;
    }

    /** When the next try of all is due; without those that failed unexpectedly and wait, by the machine's clock. */
    public Optional<Instant> nextTry(Tx tx, Instant machineNow) {
        return tx.one(
                        "SELECT MIN(d.next_try) AS due FROM delivery d WHERE d." + OPEN + " AND " + MAY_BE_SENT,
                        row -> row.optionalInstant("due"),
                        machineNow)
                .flatMap(due -> due);
    }
}
