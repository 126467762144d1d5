package mailshelf.server.shelf;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import mailshelf.core.audience.Recipient;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.DeliveryId;
import mailshelf.core.delivery.DeliveryState;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunState;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.wording.Words;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.delivery.AwaitData;
import mailshelf.server.delivery.BookRun;
import mailshelf.server.delivery.DeliveryLoop;
import mailshelf.server.delivery.Hindrance;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.server.work.RunFailure;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.Tx;
import mailshelf.store.data.LoadAttempt;
import mailshelf.store.delivery.Delivery;
import mailshelf.store.delivery.DeliveryStore;
import mailshelf.store.delivery.Run;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** A run's own page: who got what, who did not and why, and what happens next. */
@Component
class ReadRun {
    /** Nothing is to be done about these. */
    private static final Set<DeliveryState> FINE =
            Set.of(DeliveryState.WAITING, DeliveryState.ACCEPTED, DeliveryState.NO_ROWS);

    private final Gate gate;
    private final Database database;
    private final Durable durable;
    private final RunStore runs;
    private final IssueStore issues;
    private final DeliveryStore deliveries;
    private final SubscriptionStore subscriptions;
    private final PersonStore people;
    private final Hindrance hindrance;
    private final AwaitData awaitData;
    private final BookRun bookRun;
    private final RunFailure runFailure;
    private final DeliveryLoop loop;
    private final BusinessClock clock;
    private final AuditTrail audit;

    record TryView(int number, Instant at, String words, String reply) {}

    /**
     * One on the list.
     *
     * @param words what became of it, in words
     * @param copy what he was sent, or would have been; empty for somebody who was left out
     * @param delivery as the copy
     */
    record RunRecipient(
            PersonId person,
            String name,
            String address,
            String words,
            boolean fine,
            Optional<CopyId> copy,
            Optional<DeliveryId> delivery,
            boolean canBeTriedAgain,
            Optional<Instant> nextTry,
            List<TryView> tries) {}

    /**
     * @param because why it waits, where that is a load that failed; "" otherwise
     * @param recipients all, or the reader alone
     * @param others how many are on the list that are not shown
     */
    record RunView(
            RunId id,
            SubscriptionId subscription,
            String name,
            boolean mayChange,
            String trigger,
            Optional<String> askedBy,
            Instant dueAt,
            RunState state,
            RunOutcome outcome,
            String sentence,
            String because,
            Optional<IssueId> issue,
            Optional<Integer> number,
            boolean couldNotBeMade,
            List<RunRecipient> recipients,
            int others) {}

    /**
     * What is tried again.
     *
     * @param deliveries how many mails
     * @param run that makes the issue anew, where it could not be made
     */
    record Again(int deliveries, Optional<RunId> run) {}

    ReadRun(
            Gate gate,
            Database database,
            Durable durable,
            RunStore runs,
            IssueStore issues,
            DeliveryStore deliveries,
            SubscriptionStore subscriptions,
            PersonStore people,
            Hindrance hindrance,
            AwaitData awaitData,
            BookRun bookRun,
            RunFailure runFailure,
            DeliveryLoop loop,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.durable = durable;
        this.runs = runs;
        this.issues = issues;
        this.deliveries = deliveries;
        this.subscriptions = subscriptions;
        this.people = people;
        this.hindrance = hindrance;
        this.awaitData = awaitData;
        this.bookRun = bookRun;
        this.runFailure = runFailure;
        this.loop = loop;
        this.clock = clock;
        this.audit = audit;
    }

    RunView run(Person who, RunId id) {
        Words words = Words.in(Languages.supported(who.locale()));
        return database.inTransaction(tx -> {
            Run run = gate.visibleRun(tx, who, id);
            var subscription = subscriptions.find(tx, run.subscription()).orElseThrow();
            List<Delivery> all = deliveries.ofRun(tx, id);
            Map<PersonId, Delivery> byPerson =
                    all.stream().collect(Collectors.toMap(Delivery::person, Function.identity()));
            Map<DeliveryId, List<DeliveryStore.Attempt>> attempts = deliveries.attemptsOfRun(tx, id);
            boolean whole = gate.readsRecipients(who, subscription);
            if (whole && !subscription.owner().equals(who.id())) {
                audit.keepOfSitting(tx, who, Act.RECIPIENTS_READ, Thing.of(subscription));
            }
            List<RunStore.Listed> listedAll = runs.recipients(tx, id);
            List<RunRecipient> recipients = listedAll.stream()
                    .filter(listed -> whole || listed.recipient().person().equals(who.id()))
                    .map(listed -> recipient(
                            words,
                            listed,
                            Optional.ofNullable(byPerson.get(listed.recipient().person())),
                            run.state(),
                            attempts))
                    .toList();
            Optional<Issue> issue = issues.ofRun(tx, id);
            List<AwaitData.Awaited> awaited = run.state() == RunState.WAITING ? awaitData.awaited(tx, run) : List.of();
            return new RunView(
                    id,
                    run.subscription(),
                    subscription.terms().name(),
                    gate.mayChange(who, subscription),
                    words.say("trigger." + run.trigger().kind().name()),
                    run.askedBy()
                            .map(person -> people.find(tx, person).orElseThrow().name()),
                    run.dueAt(),
                    run.state(),
                    run.outcome(),
                    sentence(tx, words, who.zone(), run, all, awaited),
                    failed(awaited)
                            .flatMap(AwaitData.Awaited::failed)
                            .map(LoadAttempt::failure)
                            .orElse(""),
                    issue.map(Issue::id),
                    issue.flatMap(Issue::number),
                    couldNotBeMade(run, all),
                    recipients,
                    listedAll.size() - recipients.size());
        });
    }

    private String sentence(
            Tx tx, Words words, ZoneId zone, Run run, List<Delivery> all, List<AwaitData.Awaited> awaited) {
        if (!run.reason().isEmpty()) {
            return run.reason();
        }
        Optional<String> failed = runFailure.sentence(tx, words, zone, run);
        if (failed.isPresent()) {
            return failed.get();
        }
        Optional<Hindrance.Told> told = run.state() == RunState.CLOSED ? Optional.empty() : hindrance.of(run.id());
        if (told.isPresent()) {
            return words.say(told.get().wordsKey(), told.get().folder());
        }
        if (run.state() == RunState.WAITING) {
            return said(words, zone, awaited);
        }
        if (run.state() == RunState.DUE) {
            return words.say("run.being-made");
        }
        long accepted = count(all, DeliveryState.ACCEPTED);
        long empty = count(all, DeliveryState.NO_ROWS);
        long open = all.stream().filter(d -> !d.state().isFinal()).count();
        return words.say("run.delivered", accepted, all.size() - empty, open)
                + (empty == 0 ? "" : " " + words.say("run.no-rows", empty));
    }

    private static Optional<AwaitData.Awaited> failed(List<AwaitData.Awaited> awaited) {
        return awaited.stream().filter(each -> each.failed().isPresent()).findFirst();
    }

    private static String said(Words words, ZoneId zone, List<AwaitData.Awaited> awaited) {
        if (awaited.isEmpty()) {
            return words.say("run.being-made");
        }
        return failed(awaited)
                .map(each -> words.say(
                        "run.waits." + each.then(),
                        each.dataSet().name(),
                        words.dates(zone).moment(each.until())))
                .orElseGet(() -> words.say(
                        "run.is-loaded",
                        words.list(awaited.stream()
                                .map(each -> each.dataSet().name())
                                .toList())));
    }

    private static long count(List<Delivery> all, DeliveryState state) {
        return all.stream().filter(delivery -> delivery.state() == state).count();
    }

    private static RunRecipient recipient(
            Words words,
            RunStore.Listed listed,
            Optional<Delivery> delivery,
            RunState state,
            Map<DeliveryId, List<DeliveryStore.Attempt>> attempts) {
        var recipient = listed.recipient();
        List<TryView> tries = delivery.map(d -> attempts.getOrDefault(d.id(), List.of())).orElse(List.of()).stream()
                .map(a -> new TryView(a.no(), a.at(), words.say("answer." + a.answer()), a.reply()))
                .toList();
        String said = delivery.map(d -> words.say("delivery." + d.state().name()))
                .orElseGet(() -> unmade(words, recipient.inclusion(), state));
        return new RunRecipient(
                recipient.person(),
                recipient.name(),
                recipient.address(),
                said,
                delivery.map(d -> FINE.contains(d.state()))
                        .orElse(recipient.inclusion() == Recipient.Inclusion.INCLUDED),
                delivery.map(Delivery::copy),
                delivery.map(Delivery::id),
                delivery.filter(d -> d.state().canBeTriedAgain()).isPresent(),
                delivery.filter(d -> d.state() == DeliveryState.TRYING_AGAIN).map(Delivery::nextTry),
                tries);
    }

    /** Of one who has no delivery: it is not made yet, or will not be, or he is left out. */
    private static String unmade(Words words, Recipient.Inclusion inclusion, RunState state) {
        return inclusion == Recipient.Inclusion.INCLUDED
                ? words.say(state == RunState.CLOSED ? "run.not-sent" : "run.to-be-sent")
                : words.say("inclusion." + inclusion);
    }

    /** An issue that could not be made at all; one that was skipped or missed is sent by hand instead. */
    private static boolean couldNotBeMade(Run run, List<Delivery> all) {
        return run.outcome() == RunOutcome.FAILED
                && all.isEmpty()
                && !run.trigger().isTrial();
    }

    /**
     * Has all deliveries of a run that were refused or are waiting for another try made again now, or the whole issue where
     * that could not be made.
     */
    Again tryAgain(Person who, RunId id) {
        Again again = database.inTransaction(tx -> {
            Run run = gate.visibleRun(tx, who, id);
            Subscription subscription = gate.changeable(tx, who, run.subscription());
            Instant now = clock.instant();
            if (couldNotBeMade(run, deliveries.ofRun(tx, id))) {
                audit.keep(tx, who, Act.SEND_ASKED, Thing.of(subscription));
                return new Again(0, Optional.of(bookRun.again(tx, subscription, run, who, now)));
            }
            int tried = (int) deliveries.ofRun(tx, id).stream()
                    .filter(delivery -> delivery.state().canBeTriedAgain())
                    .filter(delivery -> deliveries.tryAgain(tx, delivery.id(), now))
                    .count();
            if (tried > 0) {
                runs.reopen(tx, id);
                audit.keep(tx, who, Act.MISSING_SENT_AGAIN, Thing.of(subscription));
            }
            return new Again(tried, Optional.empty());
        });
        durable.await();
        loop.wake();
        return again;
    }
}
