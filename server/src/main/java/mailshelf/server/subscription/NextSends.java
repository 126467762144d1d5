package mailshelf.server.subscription;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mailshelf.core.data.ExpectedLoads;
import mailshelf.core.delivery.Trigger;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.Occurrence;
import mailshelf.core.wording.Dates;
import mailshelf.core.wording.Words;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.library.Definitions;
import mailshelf.store.Tx;
import mailshelf.store.data.DueLoads;
import mailshelf.store.delivery.RunStore;
import org.springframework.stereotype.Component;

/** The next sends of terms: as their schedule has them, or as loads of their data are expected. */
@Component
class NextSends {
    private final Definitions definitions;
    private final DueLoads dueLoads;
    private final RunStore runs;
    private final BusinessClock clock;

    /** A next send: when, what shifted it, and the days that its period will mean. */
    record Send(Instant at, String local, String day, String shift, String days) {}

    NextSends(Definitions definitions, DueLoads dueLoads, RunStore runs, BusinessClock clock) {
        this.definitions = definitions;
        this.dueLoads = dueLoads;
        this.runs = runs;
        this.clock = clock;
    }

    /** @param own the subscription that the terms belong to, if it is kept already */
    List<Occurrence> of(Tx tx, Terms terms, Optional<SubscriptionId> own, int count) {
        Instant now = clock.instant();
        Optional<Duration> afterLoads = terms.schedule().afterLoads();
        if (afterLoads.isEmpty()) {
            return terms.schedule().upcoming(now, count);
        }
        Optional<Instant> last = own.flatMap(id -> runs.lastDue(tx, id, Trigger.Kind.LOAD));
        return expected(tx, terms).firings(now, afterLoads.get(), last, count).stream()
                .map(at -> new Occurrence(at, terms.inZone(at).toLocalDateTime(), Optional.empty()))
                .toList();
    }

    private ExpectedLoads expected(Tx tx, Terms terms) {
        return new ExpectedLoads(terms.reports().stream()
                .map(report -> definitions.newest(tx, report).dataSet())
                .distinct()
                .flatMap(
                        dataSet -> dueLoads
                                .next(tx, dataSet.id())
                                .map(due ->
                                        new ExpectedLoads.Plan(dataSet.plan().times(), due))
                                .stream())
                .toList());
    }

    /** In words, each with the days that it will show. */
    static List<Send> said(Terms terms, List<Occurrence> occurrences, Words words) {
        List<Send> sends = new ArrayList<>();
        Terms next = terms;
        for (Occurrence occurrence : occurrences) {
            sends.add(said(next, occurrence, words));
            next = next.continuing(Optional.of(next.firstNewDay(next.windowAt(occurrence.at()), occurrence.at())));
        }
        return sends;
    }

    private static Send said(Terms terms, Occurrence occurrence, Words words) {
        Dates dates = words.dates(terms.schedule().zone());
        return new Send(
                occurrence.at(),
                dates.moment(occurrence.at()),
                dates.day(occurrence.local().toLocalDate()),
                occurrence
                        .shift()
                        .map(shift -> words.say("shift." + shift.name()))
                        .orElse(""),
                dates.window(terms.windowAt(occurrence.at())));
    }
}
