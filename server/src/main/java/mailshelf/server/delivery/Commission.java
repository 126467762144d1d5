package mailshelf.server.delivery;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.data.Slicing;
import mailshelf.core.data.Viewer;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.Window;
import mailshelf.core.wording.Words;
import mailshelf.server.data.Tables;
import mailshelf.server.data.Viewers;
import mailshelf.server.http.Languages;
import mailshelf.server.library.Definitions;
import mailshelf.store.delivery.Run;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.subscription.SubscriptionStore;

/**
 * A run with all that its issue is made from, as it stood when the making began.
 *
 * @param views all who are included, by what they see
 * @param slicing cuts the load's rows for the views
 * @param rules the row rules that the views come from
 */
record Commission(
        Run run,
        Subscription subscription,
        Terms terms,
        Definitions.Published published,
        Tables.Loaded loaded,
        List<RunStore.Listed> recipients,
        List<View> views,
        Slicing slicing,
        List<Viewers.InForce> rules,
        SubscriptionStore.Numbering numbering,
        Instant now) {

    /** Empty for a trial. */
    Optional<Integer> number() {
        return run.trigger().isTrial() ? Optional.empty() : Optional.of(numbering.nextNumber());
    }

    MakeEdition.Order order(Viewer viewer) {
        return new MakeEdition.Order(
                terms, published.definition(), slicing.of(viewer), loaded.freshness(), run.dueAt(), now, number());
    }

    Words words() {
        return Words.in(Languages.supported(terms.locale()));
    }

    Window window() {
        return terms.windowAt(run.dueAt());
    }

    /** A name that any file system takes: "Cancelled sailings 16–22 Nov 2026.pdf". */
    String fileName(String extension) {
        String days = words().dates(terms.schedule().zone()).fullWindow(window());
        String plain = terms.name().replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]", " ").strip();
        return plain + " " + days + "." + extension;
    }
}
