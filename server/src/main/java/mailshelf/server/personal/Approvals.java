package mailshelf.server.personal;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.Filter;
import mailshelf.core.data.PersonalRule;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Role;
import mailshelf.core.subscription.ApprovalId;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.Period;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.notice.Notices;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.Approval;
import mailshelf.store.subscription.ApprovalStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/**
 * Holds back what sends personal columns as its owner sees them until somebody has approved it, where the house wants that. An
 * approval holds for exactly what was approved: the same columns of the same content for the same periods, to the same
 * people or fewer.
 */
@Component
public class Approvals {
    private static final int LONGEST = 500;
    private static final int MOST_SHOWN = 200;

    private final Gate gate;
    private final Database database;
    private final PersonalColumns personal;
    private final ApprovalStore approvals;
    private final SubscriptionStore subscriptions;
    private final PersonStore people;
    private final Notices notices;
    private final HouseSettings settings;
    private final BusinessClock clock;
    private final AuditTrail audit;

    /**
     * @param approve false declines it
     * @param columns the personal ones that were seen when it was decided
     */
    record Reply(boolean approve, String reply, List<String> columns) {}

    /**
     * What waits, as administrators see it.
     *
     * @param columns the personal ones that it would show
     * @param mayAnswer whether the reader may: what is one's own, another has to approve
     */
    record ApprovalView(
            ApprovalId id,
            long subscription,
            String name,
            String owner,
            int others,
            List<String> columns,
            Instant at,
            Approval.State state,
            String answeredBy,
            String reply,
            boolean mayAnswer) {}

    Approvals(
            Gate gate,
            Database database,
            PersonalColumns personal,
            ApprovalStore approvals,
            SubscriptionStore subscriptions,
            PersonStore people,
            Notices notices,
            HouseSettings settings,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.personal = personal;
        this.approvals = approvals;
        this.subscriptions = subscriptions;
        this.people = people;
        this.notices = notices;
        this.settings = settings;
        this.clock = clock;
        this.audit = audit;
    }

    /** Why nothing of it may be sent yet, for its owner to read; empty where it may. */
    public Optional<String> lacking(Tx tx, Subscription subscription) {
        return lacking(tx, Optional.of(subscription.id()), subscription.owner(), subscription.terms());
    }

    /** @param own the subscription that the terms belong to, if it is kept already */
    public Optional<String> lacking(Tx tx, Optional<SubscriptionId> own, PersonId owner, Terms terms) {
        if (personal.rule(tx) != PersonalRule.APPROVE) {
            return Optional.empty();
        }
        List<String> columns = personal.goingOut(tx, owner, terms);
        if (columns.isEmpty()
                || own.filter(id -> isApproved(tx, id, terms, columns)).isPresent()) {
            return Optional.empty();
        }
        Words words = words(people.find(tx, owner).orElseThrow());
        return Optional.of(words.say("paused.needs-approval", words.list(columns)));
    }

    private boolean isApproved(Tx tx, SubscriptionId id, Terms terms, List<String> columns) {
        return approvals.of(tx, id, Approval.State.APPROVED).stream()
                .filter(approved -> approvals.columns(tx, approved.id()).containsAll(columns))
                .map(approved ->
                        subscriptions.version(tx, id, approved.version()).terms())
                .anyMatch(approved -> covers(approved, terms));
    }

    private record Shown(
            ReportId report, List<String> pages, List<String> blocks, Period period, List<Filter> filters) {}

    private static boolean covers(Terms approved, Terms now) {
        return shown(approved).equals(shown(now))
                && new HashSet<>(approved.recipients()).containsAll(now.recipients())
                && approved.letterPattern()
                        .namedValues()
                        .containsAll(now.letterPattern().namedValues());
    }

    private static List<Shown> shown(Terms terms) {
        return terms.content().stream()
                .map(each -> new Shown(each.report(), each.pages(), each.blocks(), each.period(), each.filters()))
                .toList();
    }

    /**
     * @throws Problem {@code subscription.needs-approval} for what may not be sent by hand yet
     */
    public void require(Tx tx, Subscription subscription) {
        lacking(tx, subscription).ifPresent(because -> {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "subscription.needs-approval",
                    subscription.terms().name());
        });
    }

    /** Whether it is paused until somebody approves it. */
    public boolean waits(Tx tx, Subscription subscription) {
        return subscription.state() == State.PAUSED
                && isAsked(tx, subscription)
                && lacking(tx, subscription).isPresent();
    }

    /** @throws Problem {@code subscription.waits-for-approval} where asking again would change nothing */
    public void requireNotAsked(Tx tx, Subscription subscription) {
        if (waits(tx, subscription)) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "subscription.waits-for-approval",
                    subscription.terms().name());
        }
    }

    private boolean isAsked(Tx tx, Subscription subscription) {
        return approvals.of(tx, subscription.id(), Approval.State.OPEN).stream()
                .anyMatch(open -> open.version() == subscription.version());
    }

    /**
     * As it may be kept: one that would be active is paused until it is approved, and one that waited goes on where nothing
     * has to be approved any more.
     */
    public Subscription heldBack(Tx tx, Subscription wanted) {
        if (wanted.state() == State.ACTIVE) {
            return lacking(tx, wanted).map(wanted::pause).orElse(wanted);
        }
        boolean waited = wanted.state() == State.PAUSED
                && !approvals.of(tx, wanted.id(), Approval.State.OPEN).isEmpty();
        return waited && lacking(tx, wanted).isEmpty() ? wanted.resume(clock.instant()) : wanted;
    }

    /** Once it is kept: asks for an approval where it waits for one, and for none any more where it does not. */
    public void kept(Tx tx, Subscription kept) {
        if (kept.state() == State.PAUSED
                && lacking(tx, kept).filter(kept.pausedBecause()::equals).isPresent()) {
            ask(tx, kept);
        } else {
            approvals.withdraw(tx, kept.id());
        }
    }

    private void ask(Tx tx, Subscription subscription) {
        if (isAsked(tx, subscription)) {
            return;
        }
        approvals.ask(tx, subscription.id(), subscription.version(), clock.instant());
        people.administrators(tx).stream()
                .filter(person -> !person.id().equals(subscription.owner()))
                .forEach(administrator -> notices.tell(
                        tx,
                        administrator.id(),
                        words(administrator)
                                .say(
                                        "notice.approval.subject",
                                        subscription.terms().name()),
                        words(administrator)
                                .say(
                                        "notice.approval.body",
                                        name(tx, subscription.owner()),
                                        subscription.terms().name(),
                                        settings.baseUrl() + "/house/requests")));
    }

    List<ApprovalView> all(Person who) {
        gate.requireHouseReader(who);
        return database.inTransaction(tx -> approvals.newest(tx, MOST_SHOWN).stream()
                .map(approval -> view(tx, who, approval))
                .toList());
    }

    private ApprovalView view(Tx tx, Person who, Approval approval) {
        Subscription subscription =
                subscriptions.find(tx, approval.subscription()).orElseThrow();
        Terms asked = subscriptions
                .version(tx, approval.subscription(), approval.version())
                .terms();
        return new ApprovalView(
                approval.id(),
                subscription.id().value(),
                asked.name(),
                name(tx, subscription.owner()),
                (int) asked.recipients().stream()
                        .filter(id -> !id.equals(subscription.owner()))
                        .count(),
                approval.state() == Approval.State.APPROVED
                        ? approvals.columns(tx, approval.id()).stream().sorted().toList()
                        : goingOut(tx, approval, subscription),
                approval.at(),
                approval.state(),
                approval.answeredBy().map(by -> name(tx, by)).orElse(""),
                approval.reply(),
                who.is(Role.ADMINISTRATOR) && !who.id().equals(subscription.owner()));
    }

    private List<String> goingOut(Tx tx, Approval approval, Subscription subscription) {
        Terms asked = subscriptions
                .version(tx, approval.subscription(), approval.version())
                .terms();
        return personal.goingOut(tx, subscription.owner(), asked);
    }

    /** Ends approvals of what would show other personal columns than were approved, since they were marked anew. */
    void marksChanged(Tx tx) {
        for (Approval approved : approvals.approved(tx)) {
            Subscription subscription =
                    subscriptions.find(tx, approved.subscription()).orElseThrow();
            if (!approvals.columns(tx, approved.id()).equals(Set.copyOf(goingOut(tx, approved, subscription)))) {
                approvals.lapse(tx, approved.id());
            }
        }
    }

    /** What was approved was the view of the owner before. */
    public void ownerChanged(Tx tx, SubscriptionId id) {
        approvals.of(tx, id, Approval.State.APPROVED).forEach(approved -> approvals.lapse(tx, approved.id()));
    }

    void answer(Person who, ApprovalId id, Reply reply) {
        gate.requireAdministrator(who);
        if (reply.reply().length() > LONGEST) {
            throw Problem.invalid("request.too-long", LONGEST);
        }
        database.doInTransaction(tx -> {
            Approval approval = approvals.find(tx, id).orElseThrow(Problem::notFound);
            Subscription subscription =
                    subscriptions.find(tx, approval.subscription()).orElseThrow();
            if (who.id().equals(subscription.owner())) {
                throw new Problem(
                        Problem.Kind.FORBIDDEN,
                        "approval.own",
                        subscription.terms().name());
            }
            if (approval.state() != Approval.State.OPEN) {
                throw new Problem(Problem.Kind.CONFLICT, "request.answered-already");
            }
            List<String> columns = reply.approve() ? goingOut(tx, approval, subscription) : List.of();
            if (reply.approve() && !columns.equals(reply.columns())) {
                throw new Problem(
                        Problem.Kind.CONFLICT,
                        "approval.changed",
                        subscription.terms().name(),
                        words(who).list(columns));
            }
            Approval.State state = reply.approve() ? Approval.State.APPROVED : Approval.State.DECLINED;
            if (!approvals.answer(tx, id, state, who.id(), reply.reply().strip(), columns, clock.instant())) {
                throw new Problem(Problem.Kind.CONFLICT, "request.answered-already");
            }
            Act act = reply.approve() ? Act.SUBSCRIPTION_APPROVED : Act.APPROVAL_DECLINED;
            audit.keep(tx, who, act, Thing.of(subscription), "", reply.reply().strip());
            if (reply.approve() && subscription.state() == State.PAUSED) {
                subscriptions.update(tx, subscription, subscription.resume(clock.instant()), who.id(), clock.instant());
            }
            tellOwner(tx, subscription, reply);
        });
    }

    private void tellOwner(Tx tx, Subscription subscription, Reply reply) {
        Words words = words(people.find(tx, subscription.owner()).orElseThrow());
        String how = reply.approve() ? "approved" : "disapproved";
        String name = subscription.terms().name();
        notices.tell(
                tx,
                subscription.owner(),
                words.say("notice." + how + ".subject", name),
                words.say(
                        "notice." + how + ".body",
                        name,
                        reply.reply().isBlank() ? "" : reply.reply().strip() + "\n\n",
                        settings.baseUrl() + "/subscriptions/"
                                + subscription.id().value()));
    }

    private String name(Tx tx, PersonId person) {
        return people.find(tx, person).orElseThrow().name();
    }

    private static Words words(Person who) {
        return Words.in(Languages.supported(who.locale()));
    }
}
