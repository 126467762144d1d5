package mailshelf.server.delivery;

import java.time.LocalDate;
import java.util.Optional;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.store.Tx;
import mailshelf.store.shelf.IssueStore;
import org.springframework.stereotype.Component;

/** Terms that know where the issue before ended, for those whose period goes on from there. */
@Component
public class ContinuedTerms {
    private final IssueStore issues;

    ContinuedTerms(IssueStore issues) {
        this.issues = issues;
    }

    public Terms of(Tx tx, SubscriptionId subscription, Terms terms) {
        return terms.continuing(firstNewDay(tx, subscription, terms));
    }

    /** Empty where the terms do not ask for it, or nothing was sent before. */
    Optional<LocalDate> firstNewDay(Tx tx, SubscriptionId subscription, Terms terms) {
        return terms.goOnFromLastIssue()
                ? issues.lastMade(tx, subscription).map(issue -> terms.firstNewDay(issue.window(), issue.dueAt()))
                : Optional.empty();
    }
}
