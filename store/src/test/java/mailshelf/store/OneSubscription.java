package mailshelf.store;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import mailshelf.core.data.Column;
import mailshelf.core.data.LoadId;
import mailshelf.core.data.LoadPlan;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunState;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.Output;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.CalendarPeriod;
import mailshelf.core.time.Recurrence;
import mailshelf.core.time.Schedule;
import mailshelf.core.time.Window;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.FolderStore;
import mailshelf.store.shelf.Copy;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;

/** A house with Ida, one report over one load, and her daily subscription to it. */
public record OneSubscription(Person ida, Subscription subscription) {
    public static final Instant NOW = Instant.parse("2026-11-23T06:00:00Z");
    public static final RunStore.Pinned PINNED = new RunStore.Pinned(
            1,
            List.of(new RunStore.Source(new ReportId(1), 1, new LoadId(1), Optional.empty(), Optional.empty())),
            RunState.DUE);
    private static final Window WEEK = new Window(LocalDate.of(2026, 11, 16), LocalDate.of(2026, 11, 22));

    public static OneSubscription kept(Tx tx) {
        Person ida = Someone.kept(tx, "Ida");
        var traffic = new FolderStore().insert(tx, Optional.empty(), "Traffic");
        new ReportStore().insert(tx, traffic, ida.id(), "Cancelled sailings", "report: x", NOW);
        var dataSet = new DataSetStore()
                .insert(
                        tx,
                        traffic,
                        ida.id(),
                        "sailings",
                        List.of(Column.date("date")),
                        Optional.of("date"),
                        LoadPlan.SENT);
        new DataSetStore().insertLoad(tx, dataSet, 1, "0".repeat(64), 0, Optional.empty(), NOW);
        Subscription draft = new Subscription(
                new SubscriptionId(0), ida.id(), State.DRAFT, "", 1, terms(ida, "Cancelled"), Optional.empty());
        SubscriptionStore subscriptions = new SubscriptionStore();
        SubscriptionId id = subscriptions.insert(tx, draft.start(NOW), NOW);
        return new OneSubscription(ida, subscriptions.find(tx, id).orElseThrow());
    }

    public static Terms terms(Person owner, String name) {
        return new Terms(
                name,
                List.of(Content.ofPages(new ReportId(1), List.of("p1"), CalendarPeriod.LAST_WEEK, List.of())),
                Optional.empty(),
                DayOfWeek.MONDAY,
                SeenAs.RECIPIENT,
                List.of(owner.id()),
                new Output(true, false),
                new Schedule(new Recurrence.Daily(), LocalTime.of(7, 0), ZoneId.of("Europe/Oslo")),
                Optional.empty(),
                Optional.empty(),
                Locale.ENGLISH);
    }

    /** Of all rows. */
    public static Copy copy() {
        return new Copy(new CopyId(0), SeenAs.RECIPIENT, List.of(), false, "Cancelled 33");
    }

    /** Its issue of that number, as made by the run. */
    public IssueId issue(Tx tx, RunId run, int number, Instant at) {
        return new IssueStore()
                .insert(
                        tx,
                        new Issue(
                                null,
                                run,
                                subscription.id(),
                                1,
                                Optional.of(number),
                                1,
                                true,
                                "",
                                "Cancelled",
                                "",
                                "last-week",
                                WEEK,
                                Optional.empty(),
                                at,
                                at,
                                "0".repeat(64),
                                Optional.empty(),
                                RunState.SENDING,
                                RunOutcome.OPEN));
    }
}
