package mailshelf.server.shelf;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.data.Viewer;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Role;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.Subscription;
import mailshelf.server.data.Viewers;
import mailshelf.server.library.Definitions;
import mailshelf.store.Tx;
import mailshelf.store.library.ReportStore;
import mailshelf.store.shelf.Copy;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import org.springframework.stereotype.Component;

/**
 * Which copies of issues somebody may open: those whose rows he may see at this moment, and his own where it was made by
 * the rights of the subscription's owner. Auditors may open all.
 */
@Component
public class OpenCopies {
    private final IssueStore issues;
    private final ReportStore reports;
    private final Definitions definitions;
    private final Viewers viewers;

    OpenCopies(IssueStore issues, ReportStore reports, Definitions definitions, Viewers viewers) {
        this.issues = issues;
        this.reports = reports;
        this.definitions = definitions;
        this.viewers = viewers;
    }

    public Sight of(Tx tx, Person who) {
        return new Sight(tx, who);
    }

    /** What one person may open, as it stands in one transaction. */
    public final class Sight {
        private final Tx tx;
        private final Person who;
        private final Map<ReportId, Viewer> asked = new HashMap<>();

        private Sight(Tx tx, Person who) {
            this.tx = tx;
            this.who = who;
        }

        /** What stands on his shelf. */
        boolean mayOpen(Subscription subscription, IssueStore.ShelfEntry mine) {
            return mine.copy().seenAs() == SeenAs.OWNER || mayOpen(subscription, mine.copy());
        }

        /** Somebody else's. */
        boolean mayOpen(Subscription subscription, Copy copy) {
            return who.is(Role.AUDITOR) || viewer(subscription).covers(copy.allowed());
        }

        private Viewer viewer(Subscription subscription) {
            return asked.computeIfAbsent(
                    subscription.terms().report(),
                    report -> viewers.of(
                            tx,
                            who,
                            definitions
                                    .newest(tx, reports.find(tx, report).orElseThrow())
                                    .dataSet()));
        }

        /** Whether he may see all rows of what a subscription is about. */
        boolean seesAll(Subscription subscription) {
            return who.is(Role.AUDITOR) || viewer(subscription).allowed().isEmpty();
        }

        /**
         * The copy that he reads an issue in.
         *
         * @param wished one of them; empty for his own, or else the first that he may open
         */
        Optional<Copy> one(Subscription subscription, Issue issue, Optional<CopyId> wished) {
            Optional<IssueStore.ShelfEntry> mine = issues.shelfEntry(tx, who.id(), issue.id());
            boolean own = mine.filter(entry ->
                            wished.isEmpty() || wished.get().equals(entry.copy().id()))
                    .isPresent();
            if (own) {
                return mine.filter(entry -> mayOpen(subscription, entry)).map(IssueStore.ShelfEntry::copy);
            }
            List<Copy> copies = wished.map(
                            id -> issues.copy(tx, issue.id(), id).stream().toList())
                    .orElseGet(() -> issues.copies(tx, issue.id()));
            return copies.stream().filter(copy -> mayOpen(subscription, copy)).findFirst();
        }
    }
}
