package mailshelf.server.library;

import java.time.Instant;
import java.util.List;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.report.CutId;
import mailshelf.core.report.Definition;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.Sentence;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.notice.Notices;
import mailshelf.store.Tx;
import mailshelf.store.library.CutStore;
import mailshelf.store.library.KeptCut;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Has subscriptions follow cuts: they have a cut's period and filters, and take them anew when it changes. */
@Component
class FollowCuts {
    private final SubscriptionStore subscriptions;
    private final CutStore cuts;
    private final PersonStore people;
    private final Notices notices;
    private final HouseSettings settings;
    private final BusinessClock clock;
    private final AuditTrail audit;

    FollowCuts(
            SubscriptionStore subscriptions,
            CutStore cuts,
            PersonStore people,
            Notices notices,
            HouseSettings settings,
            BusinessClock clock,
            AuditTrail audit) {
        this.subscriptions = subscriptions;
        this.cuts = cuts;
        this.people = people;
        this.notices = notices;
        this.settings = settings;
        this.clock = clock;
        this.audit = audit;
    }

    /**
     * Terms as they are kept: those that follow a cut are as it is at this moment.
     *
     * @throws Problem for a cut of another report, or one that the owner may not use
     */
    Terms asFollowed(Tx tx, Person owner, Terms terms) {
        Terms followed = terms;
        for (Content content : terms.content()) {
            if (content.follows().isPresent()) {
                KeptCut cut = usable(tx, owner, content);
                followed = followed.asIn(cut.id(), cut.cut());
            }
        }
        return followed;
    }

    private KeptCut usable(Tx tx, Person owner, Content content) {
        return content.follows()
                .flatMap(id -> cuts.find(tx, id))
                .filter(cut -> cut.report().equals(content.report()) && cut.isUsableBy(owner.id()))
                .orElseThrow(() -> Problem.invalid("subscription.no-such-cut"));
    }

    List<Subscription> followers(Tx tx, CutId cut) {
        return subscriptions.following(tx, cut);
    }

    /** Those whose owners may still use it become as it is now; the others stay as they were. */
    void changed(Tx tx, Person by, KeptCut after, Definition report) {
        for (Subscription follower : followers(tx, after.id())) {
            if (after.isUsableBy(follower.owner())) {
                Terms terms = follower.terms().asIn(after.id(), after.cut());
                if (!terms.equals(follower.terms())) {
                    move(tx, by, after, follower, terms, report);
                }
            } else {
                letGo(tx, by, after, follower, report);
            }
        }
    }

    /** Before a cut goes: what followed it stays as it was. */
    void removed(Tx tx, Person by, KeptCut cut, Definition report) {
        followers(tx, cut.id()).forEach(follower -> letGo(tx, by, cut, follower, report));
    }

    private void letGo(Tx tx, Person by, KeptCut cut, Subscription follower, Definition report) {
        move(tx, by, cut, follower, follower.terms().without(cut.id()), report);
    }

    private void move(Tx tx, Person by, KeptCut cut, Subscription was, Terms terms, Definition report) {
        Instant now = clock.instant();
        if (!subscriptions.update(tx, was, was.change(terms, now), by.id(), now)) {
            throw new Problem(Problem.Kind.STALE, "cut.changed-meanwhile", cut.name());
        }
        audit.keep(
                tx,
                by,
                Act.SUBSCRIPTION_CHANGED,
                Thing.of(was),
                shows(was.terms(), cut, report, by),
                follows(terms, cut) ? shows(terms, cut, report, by) : "no longer follows “" + cut.name() + "”");
        if (!was.owner().equals(by.id())) {
            tell(tx, by, cut, was, terms, report);
        }
    }

    private void tell(Tx tx, Person by, KeptCut cut, Subscription was, Terms terms, Definition report) {
        Person owner = people.find(tx, was.owner()).orElseThrow();
        Words words = Words.in(Languages.supported(owner.locale()));
        String name = was.terms().name();
        notices.tell(
                tx,
                owner.id(),
                words.say("notice.cut-changed.subject", name),
                words.say(
                        "notice.cut-changed." + (follows(terms, cut) ? "follows" : "let-go"),
                        by.name(),
                        cut.name(),
                        name,
                        shows(terms, cut, report, owner),
                        settings.baseUrl() + "/subscriptions/" + was.id().value()));
    }

    private static boolean follows(Terms terms, KeptCut cut) {
        return terms.content().stream()
                .anyMatch(content -> content.follows().filter(cut.id()::equals).isPresent());
    }

    /** What the terms show of the report that a cut is of. */
    private static String shows(Terms terms, KeptCut cut, Definition report, Person reader) {
        Words words = Words.in(Languages.supported(reader.locale()));
        return words.list(terms.of(cut.report()).stream()
                .map(content -> Sentence.shows(content, terms, report, words))
                .toList());
    }
}
