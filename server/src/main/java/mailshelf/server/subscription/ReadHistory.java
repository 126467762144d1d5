package mailshelf.server.subscription;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.PartChange;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.wording.Words;
import mailshelf.server.rights.Gate;
import mailshelf.store.Tx;
import mailshelf.store.audit.AuditStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** What became of a subscription: each version with what it made different, and each move with its reason. */
@Component
class ReadHistory {
    private static final int MOST_MOVES = 200;
    private static final Set<Act> MOVES = EnumSet.of(
            Act.SUBSCRIPTION_STARTED,
            Act.SUBSCRIPTION_PAUSED,
            Act.SUBSCRIPTION_RESUMED,
            Act.SUBSCRIPTION_ENDED,
            Act.SUBSCRIPTION_HANDED_OVER,
            Act.SUBSCRIPTION_HELD_BACK,
            Act.SUBSCRIPTION_APPROVED,
            Act.APPROVAL_DECLINED);

    /** For those who may know who else gets it. */
    private static final Set<Act> OF_RECIPIENTS = EnumSet.of(Act.RECIPIENT_LEFT, Act.RECIPIENT_CAME_BACK);

    private final SubscriptionStore subscriptions;
    private final PersonStore people;
    private final AuditStore audit;
    private final Gate gate;
    private final Describe describe;

    /**
     * One thing done, newest first.
     *
     * @param what "changed it", "paused it"
     * @param version of the terms that it made; empty for a move
     * @param because the reason given, or whom it concerns; "" for none
     */
    record Deed(
            Instant at, String by, String what, Optional<Integer> version, List<PartChange> changes, String because) {}

    ReadHistory(SubscriptionStore subscriptions, PersonStore people, AuditStore audit, Gate gate, Describe describe) {
        this.subscriptions = subscriptions;
        this.people = people;
        this.audit = audit;
        this.gate = gate;
        this.describe = describe;
    }

    List<Deed> of(Tx tx, Person who, Subscription subscription) {
        Words words = Describe.words(who);
        Set<Act> acts = EnumSet.copyOf(MOVES);
        if (gate.readsRecipients(who, subscription)) {
            acts.addAll(OF_RECIPIENTS);
        }
        List<AuditStore.Entry> moves = audit.of(tx, Thing.Kind.SUBSCRIPTION, subscription.id(), acts, MOST_MOVES);
        Set<Instant> handedOver = moves.stream()
                .filter(entry -> entry.act() == Act.SUBSCRIPTION_HANDED_OVER)
                .map(AuditStore.Entry::at)
                .collect(Collectors.toSet());
        List<Deed> deeds =
                new ArrayList<>(moves.stream().map(entry -> move(entry, words)).toList());
        deeds.addAll(versions(tx, who, subscription, handedOver, words));
        deeds.sort(Comparator.comparing(Deed::at).reversed());
        return deeds;
    }

    private static Deed move(AuditStore.Entry entry, Words words) {
        boolean isOwn = entry.act() == Act.RECIPIENT_CAME_BACK && entry.after().equals(entry.who());
        String what = isOwn ? words.say("deed.came-back-themselves") : said(words, entry.act());
        String because = isOwn ? "" : because(entry);
        return new Deed(entry.at(), entry.who(), what, Optional.empty(), List.of(), because);
    }

    /** What a move says of itself; how a started one reads is told by its version. */
    private static String because(AuditStore.Entry entry) {
        return entry.act() == Act.SUBSCRIPTION_STARTED ? "" : entry.after();
    }

    /** @param handedOver when it got another owner, which makes a version that may differ in nothing else */
    private List<Deed> versions(Tx tx, Person who, Subscription subscription, Set<Instant> handedOver, Words words) {
        List<SubscriptionStore.Version> newestFirst = subscriptions.versions(tx, subscription.id());
        List<PartChange.Wording> wordings = newestFirst.stream()
                .map(version -> describe.wording(tx, version, subscription, who))
                .toList();
        List<Deed> deeds = new ArrayList<>();
        for (int i = 0; i < newestFirst.size(); i++) {
            SubscriptionStore.Version version = newestFirst.get(i);
            boolean isFirst = i == newestFirst.size() - 1;
            List<PartChange> changes = isFirst ? List.of() : PartChange.between(wordings.get(i + 1), wordings.get(i));
            if (!changes.isEmpty() || !handedOver.contains(version.at())) {
                deeds.add(new Deed(
                        version.at(),
                        people.find(tx, version.by()).orElseThrow().name(),
                        words.say(isFirst ? "deed.SUBSCRIPTION_MADE" : "deed.SUBSCRIPTION_CHANGED"),
                        Optional.of(version.no()),
                        changes,
                        isFirst ? describe.sentence(tx, version, subscription, who) : ""));
            }
        }
        return deeds;
    }

    private static String said(Words words, Act act) {
        return words.say("deed." + act.name());
    }
}
