package mailshelf.store.shelf;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunState;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.time.Window;

/**
 * An issue as recorded once, with where its run stands now.
 *
 * @param subscriptionVersion of the terms that its run was made by
 * @param number empty for a trial
 * @param made false for one that was skipped, failed or missed; the reason says why
 * @param since the first day of what is new in it, where its terms ask for what is new since the issue before it
 * @param headline its first figure in words
 */
public record Issue(
        IssueId id,
        RunId run,
        SubscriptionId subscription,
        int subscriptionVersion,
        Optional<Integer> number,
        int revision,
        boolean made,
        String reason,
        String name,
        String headline,
        String period,
        Window window,
        Optional<LocalDate> since,
        Instant dueAt,
        Instant madeAt,
        String manifestSha,
        Optional<String> previousSha,
        RunState runState,
        RunOutcome runOutcome) {}
