package mailshelf.server.shelf;

import java.time.Instant;
import java.util.Optional;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.rights.Person;
import mailshelf.core.wording.Words;
import mailshelf.server.http.Languages;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;

/**
 * An issue as it stands on the shelf.
 *
 * @param note number, day of sending, days that it shows and first figure, or why it was not made: what the row's line says when it is lifted
 */
public record Spine(IssueId id, int number, State state, Instant at, String days, String note) {
    /** What its shape and colour tell. */
    public enum State {
        UNREAD,
        READ,
        /** Sent, but not to the reader. */
        OTHERS,
        SKIPPED,
        FAILED,
        PARTLY,
        UNDER_WAY
    }

    /**
     * @param entry where it was put on the reader's own shelf
     * @param what its first figure, or why there is none
     */
    static Spine of(Issue issue, Optional<IssueStore.ShelfEntry> entry, String what, Person reader) {
        Words words = Words.in(Languages.supported(reader.locale()));
        String days = words.dates(reader.zone()).window(issue.window());
        return new Spine(
                issue.id(),
                issue.number().orElse(0),
                state(issue, entry),
                issue.dueAt(),
                days,
                words.say(
                        what.isEmpty() ? "spine.note.plain" : "spine.note",
                        issue.number().orElse(0),
                        days,
                        what,
                        words.dates(reader.zone())
                                .weekday(issue.dueAt().atZone(reader.zone()).toLocalDate())));
    }

    /** Whether somebody was not sent what was meant for them. */
    boolean isFaulty() {
        return state == State.FAILED || state == State.PARTLY;
    }

    private static State state(Issue issue, Optional<IssueStore.ShelfEntry> entry) {
        if (!issue.made()) {
            return issue.runOutcome() == RunOutcome.FAILED ? State.FAILED : State.SKIPPED;
        }
        if (entry.filter(e -> e.copy().isEmpty()).isPresent()) {
            return State.SKIPPED;
        }
        return switch (issue.runOutcome()) {
            case OPEN -> State.UNDER_WAY;
            case FAILED -> State.FAILED;
            case PARTLY -> State.PARTLY;
            default ->
                entry.map(e -> e.readAt().isEmpty() ? State.UNREAD : State.READ).orElse(State.OTHERS);
        };
    }
}
