package mailshelf.core.data;

import java.util.Optional;

/**
 * Where the rows of a data set come from.
 *
 * @param source the source that is asked; files that people send have none
 * @param ask what it is asked for: the name of files in a watched folder, in which {@code *} stands for anything, or a
 *     query in SQL; "" for files that people send
 */
public record Origin(Kind kind, Optional<SourceId> source, String ask) {
    /** Files that people send, as they send them. */
    public static final Origin SENT = new Origin(Kind.SENT, Optional.empty(), "");

    /** What sort of place it is. */
    public enum Kind {
        SENT,
        FOLDER,
        QUERY
    }

    public Origin {
        ask = ask.strip();
    }

    /** Whether it says all that it must; a kind with a source needs one, and what to ask it for. */
    public boolean saysAll() {
        return kind == Kind.SENT ? source.isEmpty() && ask.isEmpty() : source.isPresent() && !ask.isEmpty();
    }
}
