package mailshelf.server.subscription;

import java.time.Instant;
import java.util.List;
import java.util.function.Supplier;
import java.util.stream.Stream;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Losses;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.Words;
import mailshelf.server.library.Definitions;
import mailshelf.store.Tx;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/**
 * Finds what subscriptions took of reports that these no longer have, and calls it what it was called when they were
 * written.
 */
@Component
class LostParts {
    private final Definitions definitions;
    private final SubscriptionStore subscriptions;

    LostParts(Definitions definitions, SubscriptionStore subscriptions) {
        this.definitions = definitions;
        this.subscriptions = subscriptions;
    }

    /** When a subscription's terms became what they are. */
    Instant writtenAt(Tx tx, Subscription subscription) {
        return subscriptions.versions(tx, subscription.id()).get(0).at();
    }

    /**
     * The report that some terms are to be worded by: the newest, unless they name something that it no longer has.
     *
     * @param newest the report as it is published
     */
    Definition wording(Tx tx, Terms terms, ReportId report, Definition newest, Supplier<Instant> writtenAt) {
        boolean fits = terms.of(report).stream().allMatch(content -> content.fits(newest));
        return fits ? newest : definitions.asOf(tx, report, writtenAt.get()).definition();
    }

    /** In words; none where its reports have all of it. */
    List<String> of(Tx tx, Subscription subscription, Person reader) {
        Terms terms = subscription.terms();
        if (fits(tx, terms)) {
            return List.of();
        }
        Words words = Describe.words(reader);
        Instant writtenAt = writtenAt(tx, subscription);
        return terms.reports().stream()
                .flatMap(report -> lost(tx, terms, report, writtenAt))
                .map(loss -> words.say("loss." + loss.kind(), loss.name()))
                .distinct()
                .toList();
    }

    private Stream<Losses.Loss> lost(Tx tx, Terms terms, ReportId report, Instant writtenAt) {
        Definition before = definitions.asOf(tx, report, writtenAt).definition();
        Definition now = definitions.newest(tx, report).definition();
        return Losses.of(terms, report, before, now).lost().stream();
    }

    private boolean fits(Tx tx, Terms terms) {
        return terms.content().stream()
                .allMatch(content ->
                        content.fits(definitions.newest(tx, content.report()).definition()));
    }

    /** The terms without it, for their owner to go on from. */
    Terms without(Tx tx, Terms terms) {
        return terms.fitted(report -> definitions.newest(tx, report).definition());
    }
}
