package mailshelf.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import mailshelf.core.audience.Recipient;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.DataSetId;
import mailshelf.core.delivery.Answer;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.DeliveryState;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunState;
import mailshelf.core.delivery.Trigger;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.time.CalendarPeriod;
import mailshelf.core.time.FixedPeriod;
import mailshelf.core.time.FromTime;
import mailshelf.core.time.Grain;
import mailshelf.core.time.HoursPeriod;
import mailshelf.core.time.Period;
import mailshelf.core.wording.OneLine;
import mailshelf.store.audit.AuditStore;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.LoadAttempt;
import mailshelf.store.delivery.DeliveryStore;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.people.NoticeStore;
import mailshelf.store.people.SessionStore;
import mailshelf.store.shelf.Copy;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every column for texts takes the longest that can come; where that has no end, what is written is shortened. */
class ColumnWidthsTest {
    private static final String ENDLESS = "𝄞 no end in sight; ".repeat(1000);

    @TempDir
    private Path folder;

    private Database database;

    @BeforeEach
    void open() {
        database = FreshDatabase.in(folder);
    }

    @AfterEach
    void close() {
        database.close();
    }

    @Test
    void names_of_choices_and_codes_fit_their_columns() {
        Map<String, Long> widths = widths();
        Map<String, String> longest = new TreeMap<>();
        longest.put("subscription.state", longest(State.values()));
        longest.put("run.state", longest(RunState.values()));
        longest.put("run.outcome", longest(RunOutcome.values()));
        longest.put("run.trigger_kind", longest(Trigger.Kind.values()));
        longest.put("run_recipient.inclusion", longest(Recipient.Inclusion.values()));
        longest.put("delivery.state", longest(DeliveryState.values()));
        longest.put("copy.seen_as", longest(SeenAs.values()));
        longest.put("granted.verb", longest(Verb.values()));
        longest.put("access_request.wants", longest(Verb.values()));
        longest.put("audit.act", longest(Act.values()));
        longest.put("audit.thing_kind", longest(Thing.Kind.values()));
        longest.put(
                "attempt.answer",
                Arrays.stream(Answer.class.getPermittedSubclasses())
                        .map(Class::getSimpleName)
                        .max(Comparator.comparing(String::length))
                        .orElseThrow());
        longest.put("issue.period", longestPeriod());
        longest.put("issue.zone", longestZone());
        longest.put("person.zone", longestZone());
        longest.put("run.trigger_key", "n".repeat(100));
        longest.put("delivery.message_id", messageId());
        longest.put("run.lease_owner", workerName());
        longest.put("delivery.lease_owner", workerName());
        longest.put("notice.lease_owner", workerName());
        longest.put("data_set.lease_owner", workerName());
        longest.put("worker.owner", workerName());
        for (String named : List.of(
                "person.name",
                "grp.name",
                "folder.name",
                "data_set.name",
                "source.name",
                "cut.name",
                "clipping.name",
                "named_value.name",
                "report.title",
                "issue.name",
                "run_recipient.name",
                "row_rule.column_name",
                "row_rule.who_column",
                "row_rule.values_column",
                "data_set.date_column")) {
            longest.put(named, "n".repeat(OneLine.LONGEST_NAME));
        }
        longest.forEach((column, text) ->
                assertThat(text).as(column).hasSizeLessThanOrEqualTo(Math.toIntExact(widths.get(column))));
    }

    @Test
    void composed_texts_are_shortened_to_their_columns_and_nothing_throws() {
        database.doInTransaction(tx -> {
            OneSubscription house = OneSubscription.kept(tx);
            Person ida = house.ida();
            Subscription active = house.subscription();
            assertThat(new SubscriptionStore().update(tx, active, active.pause(ENDLESS), ida.id(), OneSubscription.NOW))
                    .isTrue();
            new NoticeStore().insert(tx, ida.id(), Optional.empty(), ENDLESS, ENDLESS, OneSubscription.NOW);
            new SessionStore().begin(tx, "token", ida.id(), OneSubscription.NOW, ENDLESS, ENDLESS);
            new AuditStore()
                    .append(
                            tx,
                            new AuditStore.Entry(
                                    0,
                                    OneSubscription.NOW,
                                    Optional.of(ida.id()),
                                    ENDLESS,
                                    ENDLESS,
                                    Act.DATA_LOADED,
                                    new Thing(Thing.Kind.DATA_SET, 1, ENDLESS),
                                    ENDLESS,
                                    ENDLESS));
            new DataSetStore()
                    .insertAttempt(
                            tx,
                            new DataSetId(1),
                            new LoadAttempt(OneSubscription.NOW, Optional.empty(), 0, Optional.empty(), ENDLESS));
            delivered(tx, house);
        });
    }

    /** A run whose issue, copy, answer and end have endless texts. */
    private static void delivered(Tx tx, OneSubscription house) {
        RunStore runs = new RunStore();
        Recipient recipient = new Recipient(
                house.ida().id(), house.ida().name(), house.ida().address(), Recipient.Inclusion.INCLUDED);
        RunId run = runs.book(
                tx,
                house.subscription().id(),
                new Trigger(Trigger.Kind.BY_HAND, "k".repeat(100)),
                Optional.empty(),
                OneSubscription.NOW,
                OneSubscription.PINNED,
                List.of(recipient),
                OneSubscription.NOW);
        IssueStore issues = new IssueStore();
        Copy copy = new Copy(new CopyId(0), SeenAs.RECIPIENT, List.of(), false, ENDLESS);
        CopyId made =
                issues.insertCopy(tx, house.issue(tx, run, 1, OneSubscription.NOW), "1".repeat(64), copy, List.of());
        DeliveryStore deliveries = new DeliveryStore();
        var mail = new DeliveryStore.Planned(runs.recipients(tx, run).get(0).id(), made, DeliveryState.WAITING);
        deliveries.insert(tx, run, List.of(mail), "d".repeat(253), OneSubscription.NOW);
        deliveries.recordAttempt(
                tx, deliveries.ofRun(tx, run).get(0).id(), 1, new Answer.NotNow(ENDLESS), OneSubscription.NOW);
        assertThat(runs.move(
                        tx,
                        runs.find(tx, run).orElseThrow(),
                        "one",
                        RunState.CLOSED,
                        RunOutcome.FAILED,
                        ENDLESS,
                        OneSubscription.NOW))
                .isTrue();
    }

    private Map<String, Long> widths() {
        Map<String, Long> widths = new HashMap<>();
        database.inTransaction(tx -> tx.list("""
                SELECT LOWER(table_name) || '.' || LOWER(column_name) AS name, character_maximum_length AS width
                  FROM information_schema.columns
                 WHERE table_schema = 'PUBLIC' AND data_type = 'CHARACTER VARYING'""", row -> widths.put(row.text("name"), row.number("width"))));
        return widths;
    }

    private static String longest(Enum<?>[] choices) {
        return Arrays.stream(choices)
                .map(Enum::name)
                .max(Comparator.comparing(String::length))
                .orElseThrow();
    }

    private static String longestPeriod() {
        LocalTime at = LocalTime.of(23, 59);
        Stream<CalendarPeriod> calendar = Arrays.stream(Grain.values())
                .map(grain -> new CalendarPeriod(CalendarPeriod.Reach.SO_FAR, CalendarPeriod.MOST, grain));
        return Stream.concat(
                        calendar.map(days -> new FromTime(days, at)),
                        Stream.<Period>of(
                                new HoursPeriod(CalendarPeriod.MOST, true),
                                new FixedPeriod(
                                        LocalDateTime.parse("2026-11-01T00:00:59"),
                                        LocalDateTime.parse("2026-11-30T23:59:59"))))
                .map(Period::code)
                .max(Comparator.comparing(String::length))
                .orElseThrow();
    }

    private static String longestZone() {
        return ZoneId.getAvailableZoneIds().stream()
                .max(Comparator.comparing(String::length))
                .orElseThrow();
    }

    private static String workerName() {
        return "server-" + Integer.MAX_VALUE + "/" + UUID.nameUUIDFromBytes(new byte[1]);
    }

    /** As it is made for a delivery, with the longest name that a domain can have (RFC 1035 §2.3.4). */
    private static String messageId() {
        String installation = UUID.randomUUID().toString();
        return "<run-" + Long.MAX_VALUE + ".recipient-" + Long.MAX_VALUE + "." + installation + "@" + "d".repeat(253)
                + ">";
    }
}
