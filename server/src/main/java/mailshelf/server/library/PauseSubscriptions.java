package mailshelf.server.library;

import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.notice.Notices;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Pauses subscriptions to what is not there any more, and tells their owners. */
@Component
class PauseSubscriptions {
    private final SubscriptionStore subscriptions;
    private final PersonStore people;
    private final Notices notices;
    private final HouseSettings settings;
    private final BusinessClock clock;
    private final AuditTrail audit;

    PauseSubscriptions(
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

    void asReportIsRemoved(Tx tx, Person who, Subscription subscription, String title) {
        Person owner = people.find(tx, subscription.owner()).orElseThrow();
        Words words = Words.in(Languages.supported(owner.locale()));
        String because = words.say("paused.report-removed", title, who.name());
        subscriptions.update(tx, subscription, subscription.pause(because), who.id(), clock.instant());
        audit.keep(tx, who, Act.SUBSCRIPTION_PAUSED, Thing.of(subscription), "", because);
        String name = subscription.terms().name();
        notices.tell(
                tx,
                owner.id(),
                words.say("notice.paused.subject", name),
                words.say(
                        "notice.report-removed.body",
                        name,
                        because,
                        settings.baseUrl() + "/subscriptions/"
                                + subscription.id().value()));
    }
}
