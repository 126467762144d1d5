package mailshelf.server.named;

import java.util.List;
import mailshelf.core.data.Filter;
import mailshelf.core.named.References;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.store.Tx;
import mailshelf.store.library.ClippingStore;
import mailshelf.store.library.CutStore;
import mailshelf.store.library.KeptClipping;
import mailshelf.store.library.KeptCut;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Finds out what is narrowed by a named value, or says it. */
@Component
class UsesOfNamed {
    private final SubscriptionStore subscriptions;
    private final ReportStore reports;
    private final CutStore cuts;
    private final ClippingStore clippings;

    /**
     * What uses one.
     *
     * @param subscriptions those that are not ended
     * @param reports those with it in a text
     * @param cuts how many
     * @param clippings how many
     */
    record Uses(List<Subscription> subscriptions, List<Report> reports, long cuts, long clippings) {
        boolean isNone() {
            return subscriptions.isEmpty() && reports.isEmpty() && cuts == 0 && clippings == 0;
        }
    }

    UsesOfNamed(SubscriptionStore subscriptions, ReportStore reports, CutStore cuts, ClippingStore clippings) {
        this.subscriptions = subscriptions;
        this.reports = reports;
        this.cuts = cuts;
        this.clippings = clippings;
    }

    /** All that may use some, read once for all of their names. */
    Index index(Tx tx) {
        return new Index(
                subscriptions.all(tx).stream()
                        .filter(each -> each.state() != State.ENDED)
                        .toList(),
                reports.all(tx).stream()
                        .map(each -> new Index.Text(each, reports.yaml(tx, each.id(), each.version())))
                        .toList(),
                cuts.all(tx),
                clippings.all(tx));
    }

    record Index(List<Subscription> subscriptions, List<Text> texts, List<KeptCut> cuts, List<KeptClipping> clippings) {
        /** A report with its text. */
        private record Text(Report report, String yaml) {}

        Uses of(String name) {
            return new Uses(
                    subscriptions.stream()
                            .filter(each -> each.terms().namedValues().contains(name))
                            .toList(),
                    texts.stream()
                            .filter(each -> each.yaml().contains("{value of " + name + "}"))
                            .map(Text::report)
                            .toList(),
                    cuts.stream()
                            .filter(each -> isIn(each.cut().filters(), name))
                            .count(),
                    clippings.stream()
                            .filter(each -> each.clips().stream().anyMatch(clip -> isIn(clip.filters(), name)))
                            .count());
        }
    }

    private static boolean isIn(List<Filter> filters, String name) {
        return References.in(filters).contains(name);
    }
}
