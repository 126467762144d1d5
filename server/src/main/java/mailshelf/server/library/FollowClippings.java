package mailshelf.server.library;

import java.time.Instant;
import java.util.List;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.report.Clip;
import mailshelf.core.report.ClippingId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.Terms;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.rights.Gate;
import mailshelf.store.Tx;
import mailshelf.store.library.ClippingStore;
import mailshelf.store.library.KeptClipping;
import mailshelf.store.library.ReportStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Has subscriptions follow clippings of their owners: they have a clipping's blocks, and take them anew when it changes. */
@Component
class FollowClippings {
    private final Gate gate;
    private final ReportStore reports;
    private final Definitions definitions;
    private final ClippingStore clippings;
    private final SubscriptionStore subscriptions;
    private final BusinessClock clock;
    private final AuditTrail audit;

    FollowClippings(
            Gate gate,
            ReportStore reports,
            Definitions definitions,
            ClippingStore clippings,
            SubscriptionStore subscriptions,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.reports = reports;
        this.definitions = definitions;
        this.clippings = clippings;
        this.subscriptions = subscriptions;
        this.clock = clock;
        this.audit = audit;
    }

    /**
     * Terms as they are kept: those that follow a clipping have the blocks of it that can be read at this moment.
     *
     * @throws Problem for a clipping that is not the owner's
     */
    Terms asFollowed(Tx tx, Person owner, Terms terms) {
        return terms.clipping()
                .map(id -> clippings
                        .find(tx, id)
                        .filter(found -> found.owner().equals(owner.id()))
                        .orElseThrow(() -> Problem.invalid("subscription.no-such-clipping")))
                .map(clipping -> terms.asIn(clipping.id(), content(tx, owner, clipping)))
                .orElse(terms);
    }

    private List<Content> content(Tx tx, Person owner, KeptClipping clipping) {
        Gate.Access access = gate.access(tx, owner);
        return Content.of(clipping.clips().stream()
                .filter(clip -> isThere(tx, access, clip))
                .toList());
    }

    private boolean isThere(Tx tx, Gate.Access access, Clip clip) {
        return reports.find(tx, clip.report())
                .filter(report -> !report.removed())
                .filter(report -> access.may(Verb.SEE, report.folder()))
                .flatMap(report -> clip.in(definitions.definition(tx, report)))
                .isPresent();
    }

    List<Subscription> followers(Tx tx, ClippingId clipping) {
        return subscriptions.following(tx, clipping);
    }

    /**
     * Has the followers take a clipping anew.
     *
     * @throws Problem where it is left without a block, which nobody could be sent
     */
    void changed(Tx tx, Person owner, KeptClipping after) {
        List<Content> content = content(tx, owner, after);
        for (Subscription follower : followers(tx, after.id())) {
            if (content.isEmpty()) {
                throw Problem.invalid(
                        "clipping.followed", after.name(), follower.terms().name());
            }
            move(tx, owner, follower, follower.terms().asIn(after.id(), content), "follows “" + after.name() + "”");
        }
    }

    /** Before a clipping goes: what followed it keeps the blocks that it has. */
    void removed(Tx tx, Person owner, KeptClipping clipping) {
        followers(tx, clipping.id())
                .forEach(follower -> move(
                        tx,
                        owner,
                        follower,
                        follower.terms().onItsOwn(),
                        "no longer follows “" + clipping.name() + "”"));
    }

    private void move(Tx tx, Person by, Subscription was, Terms terms, String how) {
        if (terms.equals(was.terms())) {
            return;
        }
        Instant now = clock.instant();
        if (!subscriptions.update(tx, was, was.change(terms, now), by.id(), now)) {
            throw new Problem(
                    Problem.Kind.STALE,
                    "clipping.changed-meanwhile",
                    was.terms().name());
        }
        audit.keep(tx, by, Act.SUBSCRIPTION_CHANGED, Thing.of(was), "", how);
    }
}
