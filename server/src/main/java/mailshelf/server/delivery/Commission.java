package mailshelf.server.delivery;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.condition.FreshData;
import mailshelf.core.condition.Sending;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.Seen;
import mailshelf.core.data.Viewer;
import mailshelf.core.shelf.Manifest;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.Window;
import mailshelf.core.wording.Words;
import mailshelf.server.http.Languages;
import mailshelf.store.delivery.Run;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.subscription.SubscriptionStore;

/**
 * A run with all that its issue is made from, as it stood when the making began.
 *
 * @param dataSets the names of all that it is made from
 * @param views all who are included, by what they see
 * @param terms with what is new since the last issue beginning on the day of {@code since}
 * @param closed receipts that no manifest names yet; none for a trial, which is no part of the chain
 * @param sources the reports that it is made from, in the order of the terms
 */
record Commission(
        Run run,
        Subscription subscription,
        Terms terms,
        List<Source> sources,
        List<RunStore.Listed> recipients,
        List<View> views,
        SubscriptionStore.Numbering numbering,
        List<Manifest.Closed> closed,
        Optional<LocalDate> since,
        Map<DataSetId, String> dataSets,
        Instant now) {

    /** Empty for a trial. */
    Optional<Integer> number() {
        return run.trigger().isTrial() ? Optional.empty() : Optional.of(numbering.nextNumber());
    }

    MakeEdition.Order order(View view) {
        List<MakeEdition.From> from = new ArrayList<>();
        for (Source source : sources) {
            Viewer viewer = view.viewers().get(from.size());
            from.add(new MakeEdition.From(
                    source.pinned().report(),
                    source.published().definition(),
                    source.slicing().of(viewer),
                    source.loaded().freshness().failing(source.pinned().failedAt())));
        }
        return new MakeEdition.Order(view.terms(), from, view.texts(), run.dueAt(), now, number());
    }

    /** What a view's copy shows of each data set. */
    List<Seen> slices(View view) {
        List<Seen> slices = new ArrayList<>();
        for (int i = 0; i < sources.size(); i++) {
            slices.add(new Seen(
                    sources.get(i).published().dataSet().id(),
                    view.viewers().get(i).allowed(),
                    view.viewers().get(i).masked()));
        }
        slices.addAll(view.named());
        return slices.stream().distinct().toList();
    }

    /** Why it is not made: its data are older than it may be sent with. */
    Optional<String> tooStale() {
        if (AwaitData.asked(terms, run.trigger()).ifStale() == FreshData.IfStale.SEND) {
            return Optional.empty();
        }
        return sources.stream()
                .filter(source -> source.pinned().failedAt().isPresent())
                .findFirst()
                .map(source -> words().say(
                                Sending.SKIP_STALE.wordsKey(),
                                source.published().dataSet().name(),
                                words().dates(terms.schedule().zone())
                                        .moment(source.pinned().failedAt().get())));
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
