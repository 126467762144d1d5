package mailshelf.server.library;

import java.util.List;
import java.util.stream.Stream;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Losses;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.notice.Notices;
import mailshelf.store.Tx;
import mailshelf.store.library.Report;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Finds the subscriptions that lose something when a report is published anew, and has them adapt or pause. */
@Component
class AdaptSubscriptions {
    private final SubscriptionStore subscriptions;
    private final PersonStore people;
    private final Notices notices;
    private final HouseSettings settings;
    private final BusinessClock clock;
    private final AuditTrail audit;

    /**
     * A subscription that loses something.
     *
     * @param left its terms without that
     * @param pauses whether it has to
     */
    record Losing(Subscription subscription, Losses losses, Terms left, boolean pauses) {}

    AdaptSubscriptions(
            SubscriptionStore subscriptions,
            PersonStore people,
            Notices notices,
            HouseSettings settings,
            BusinessClock clock,
            AuditTrail audit) {
        this.subscriptions = subscriptions;
        this.people = people;
        this.notices = notices;
        this.settings = settings;
        this.clock = clock;
        this.audit = audit;
    }

    List<Losing> losing(Tx tx, Report report, Definition before, Definition now) {
        return subscriptions.ofReport(tx, report.id()).stream()
                .filter(subscription -> subscription.state() != State.ENDED)
                .flatMap(subscription -> losing(subscription, report.id(), before, now))
                .toList();
    }

    private static Stream<Losing> losing(
            Subscription subscription, ReportId report, Definition before, Definition now) {
        Terms terms = subscription.terms();
        Losses losses = Losses.of(terms, report, before, now);
        Terms left = terms.leftIn(report, now);
        return losses.isEmpty()
                ? Stream.empty()
                : Stream.of(new Losing(subscription, losses, left, losses.hasToPause(left)));
    }

    void all(Tx tx, Person publisher, Report report, Definition before, Definition now) {
        for (Losing each : losing(tx, report, before, now)) {
            adapt(tx, publisher, each, now);
        }
    }

    private void adapt(Tx tx, Person publisher, Losing losing, Definition now) {
        Subscription was = losing.subscription();
        Person owner = people.find(tx, was.owner()).orElseThrow();
        Words words = Words.in(Languages.supported(owner.locale()));
        String lost = words.list(losing.losses().lost().stream()
                .map(loss -> words.say("loss." + loss.kind(), loss.name()))
                .toList());
        if (losing.pauses() && was.state() == State.ACTIVE) {
            String because = words.say("paused.report-changed", now.title(), lost);
            subscriptions.update(tx, was, was.pause(because), publisher.id(), clock.instant());
            audit.keep(tx, publisher, Act.SUBSCRIPTION_PAUSED, Thing.of(was), "", because);
        } else if (!losing.left().content().isEmpty() && !losing.left().equals(was.terms())) {
            Subscription adapted = was.change(losing.left(), clock.instant());
            subscriptions.update(tx, was, adapted, publisher.id(), clock.instant());
            audit.keep(tx, publisher, Act.SUBSCRIPTION_CHANGED, Thing.of(was), "", "without " + lost);
        }
        notices.tell(
                tx,
                owner.id(),
                words.say("notice.report-changed.subject", was.terms().name()),
                words.say(
                        "notice.report-changed.body",
                        publisher.name(),
                        now.title(),
                        was.terms().name(),
                        lost,
                        words.say("notice.report-changed." + (losing.pauses() ? "paused" : "adapted")),
                        settings.baseUrl() + "/subscriptions/" + was.id().value()));
    }
}
