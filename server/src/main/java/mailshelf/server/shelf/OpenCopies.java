package mailshelf.server.shelf;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.Viewer;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Role;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.server.data.Viewers;
import mailshelf.server.library.Definitions;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.shelf.Copy;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/**
 * Which copies of issues somebody may open: those whose rows he may see at this moment, and his own where it was made by
 * the rights of the subscription's owner. Auditors may open all.
 */
@Component
public class OpenCopies {
    private final IssueStore issues;
    private final Definitions definitions;
    private final DataSetStore dataSets;
    private final SubscriptionStore subscriptions;
    private final Viewers viewers;

    OpenCopies(
            IssueStore issues,
            Definitions definitions,
            DataSetStore dataSets,
            SubscriptionStore subscriptions,
            Viewers viewers) {
        this.issues = issues;
        this.definitions = definitions;
        this.dataSets = dataSets;
        this.subscriptions = subscriptions;
        this.viewers = viewers;
    }

    public Sight of(Tx tx, Person who) {
        return new Sight(tx, who);
    }

    /** What one person may open, as it stands in one transaction. */
    public final class Sight {
        private final Tx tx;
        private final Person who;
        private final Map<SubscriptionId, Map<Integer, Set<ReportId>>> reports = new HashMap<>();
        private final Map<DataSetId, Viewer> asked = new HashMap<>();
        private final Map<ReportId, DataSetId> dataSetOf = new HashMap<>();

        private Sight(Tx tx, Person who) {
            this.tx = tx;
            this.who = who;
        }

        /** What stands on his shelf. */
        boolean mayOpen(IssueStore.ShelfEntry mine) {
            return mine.copy().seenAs() == SeenAs.OWNER || mayOpen(mine.copy());
        }

        /** Somebody else's. */
        boolean mayOpen(Copy copy) {
            return who.is(Role.AUDITOR)
                    || copy.slices().stream()
                            .allMatch(slice -> viewer(slice.dataSet()).covers(slice.allowed()));
        }

        private Viewer viewer(DataSetId dataSet) {
            return asked.computeIfAbsent(
                    dataSet, id -> viewers.of(tx, who, dataSets.find(tx, id).orElseThrow()));
        }

        /** Whether he may see all rows of what an issue of a subscription is about. */
        boolean seesAll(Issue issue) {
            return who.is(Role.AUDITOR)
                    || reports(issue).stream()
                            .allMatch(
                                    report -> viewer(dataSet(report)).allowed().isEmpty());
        }

        private Set<ReportId> reports(Issue issue) {
            return reports.computeIfAbsent(issue.subscription(), id -> subscriptions.reports(tx, id))
                    .getOrDefault(issue.subscriptionVersion(), Set.of());
        }

        private DataSetId dataSet(ReportId report) {
            return dataSetOf.computeIfAbsent(
                    report, id -> definitions.newest(tx, id).dataSet().id());
        }

        /**
         * The copy that he reads an issue in.
         *
         * @param wished one of them; empty for his own, or else the first that he may open
         */
        Optional<Copy> one(Issue issue, Optional<CopyId> wished) {
            Optional<IssueStore.ShelfEntry> mine = issues.shelfEntry(tx, who.id(), issue.id());
            boolean own = mine.filter(entry ->
                            wished.isEmpty() || wished.get().equals(entry.copy().id()))
                    .isPresent();
            if (own) {
                return mine.filter(entry -> mayOpen(entry)).map(IssueStore.ShelfEntry::copy);
            }
            List<Copy> copies = wished.map(
                            id -> issues.copy(tx, issue.id(), id).stream().toList())
                    .orElseGet(() -> issues.copies(tx, issue.id()));
            return copies.stream().filter(this::mayOpen).findFirst();
        }
    }
}
