package mailshelf.core;

import java.util.List;
import java.util.Locale;
import mailshelf.core.wording.Words;

/**
 * A fault that the caller can act on. Carries a stable code and the values for its three sentences (what happened,
 * what it means, what to do), which stand in the message files under {@code problem.<code>}.
 */
public final class Problem extends RuntimeException {
    private final Kind kind;
    private final String code;
    private final transient Object[] values;
    private final transient List<Fault> faults;

    /** What sort of fault this is, as far as the caller's next step differs. */
    public enum Kind {
        INVALID,
        NOT_SIGNED_IN,
        FORBIDDEN,
        NOT_FOUND,
        CONFLICT,
        STALE,
        TOO_MANY,
        TOO_LARGE,

        /** Not now: nobody's input is to blame. */
        UNAVAILABLE
    }

    /** One field of a form that cannot be taken; all of a form are reported together. */
    public record Fault(String field, String message) {}

    public Problem(Kind kind, String code, Object... values) {
        this(kind, code, List.of(), values);
    }

    public Problem(Kind kind, String code, List<Fault> faults, Object... values) {
        super(code);
        this.kind = kind;
        this.code = code;
        this.faults = List.copyOf(faults);
        this.values = values.clone();
    }

    /** The same answer for what does not exist and for what one may not see, so that a refusal hides both. */
    public static Problem notFound() {
        return new Problem(Kind.NOT_FOUND, "not-found");
    }

    public static Problem invalid(String code, Object... values) {
        return new Problem(Kind.INVALID, code, values);
    }

    public Kind kind() {
        return kind;
    }

    /** Stable name of the fault, e.g. {@code subscription.no-recipients}; the prose may change, this does not. */
    public String code() {
        return code;
    }

    public List<Fault> faults() {
        return faults;
    }

    /** The three sentences in the reader's language: what happened, what it means, what to do. */
    public List<String> sentences(Words words) {
        return List.of(words.say("problem." + code, values).split(" \\| ", 3));
    }

    @Override
    public String getMessage() {
        return code + ": " + String.join(" ", sentences(Words.in(Locale.ENGLISH)))
                + (faults.isEmpty() ? "" : " " + faults);
    }
}
