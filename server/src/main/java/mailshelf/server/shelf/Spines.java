package mailshelf.server.shelf;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.rights.Person;
import mailshelf.core.wording.Words;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.store.Tx;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import org.springframework.stereotype.Component;

/** Sets issues on the shelf of a reader, with no figure that he may not see. */
@Component
public class Spines {
    private final Gate gate;
    private final IssueStore issues;
    private final OpenCopies openCopies;

    Spines(Gate gate, IssueStore issues, OpenCopies openCopies) {
        this.gate = gate;
        this.issues = issues;
        this.openCopies = openCopies;
    }

    /** Those of some issues of one subscription whose reports he may all see. */
    public List<Spine> of(Tx tx, Person who, Gate.Access access, List<Issue> some) {
        if (some.isEmpty()) {
            return List.of();
        }
        OpenCopies.Sight sight = openCopies.of(tx, who);
        return gate.openable(tx, access, some.get(0).subscription(), some).stream()
                .map(issue -> of(sight, who, issue, issues.shelfEntry(tx, who.id(), issue.id())))
                .toList();
    }

    /** @param mine what stands on the reader's own shelf */
    List<Spine> of(OpenCopies.Sight sight, Person who, List<Issue> some, Map<IssueId, IssueStore.ShelfEntry> mine) {
        return some.stream()
                .map(issue -> of(sight, who, issue, Optional.ofNullable(mine.get(issue.id()))))
                .toList();
    }

    private static Spine of(OpenCopies.Sight sight, Person who, Issue issue, Optional<IssueStore.ShelfEntry> mine) {
        boolean isEmpty = mine.filter(entry -> entry.copy().isEmpty()).isPresent();
        Words words = Words.in(Languages.supported(who.locale()));
        String note = issue.made() ? headline(sight, issue, mine) : issue.reason();
        return Spine.of(issue, mine, isEmpty ? words.say("copy.no-rows") : note, who);
    }

    /** The first figure of what the reader may open; "" where that is nothing, or is not known before it is opened. */
    static String headline(OpenCopies.Sight sight, Issue issue, Optional<IssueStore.ShelfEntry> mine) {
        if (mine.isPresent()) {
            return mine.filter(entry -> sight.mayOpen(entry))
                    .map(entry -> entry.copy().headline())
                    .orElse("");
        }
        return !issue.headline().isEmpty() && sight.seesAll(issue) ? issue.headline() : "";
    }
}
