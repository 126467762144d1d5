package mailshelf.core.subscription;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mailshelf.core.time.FixedPeriod;
import mailshelf.core.time.Occurrence;
import mailshelf.core.time.SinceLastIssue;
import mailshelf.core.time.Window;

/**
 * Where two issues that follow each other do not meet day by day.
 *
 * @param first the day of the one, and {@code second} of the other
 * @param days that are in neither, or in both
 */
public record Seam(Kind kind, LocalDate first, LocalDate second, Window days) {
    /** How they lie to each other. */
    public enum Kind {
        /** Days that no issue shows. */
        GAP,
        /** The second shows some days that the first showed. */
        OVERLAP,
        /** The second shows what the first showed. */
        SAME
    }

    /** As many issues as a year of weeks has. */
    public static final int LOOKED_AT = 53;

    /**
     * The first gap between the next issues of what some terms send, or else the first overlap; empty where they meet, or
     * where the days are fixed anyway.
     */
    public static Optional<Seam> first(Terms terms, Content content, List<Occurrence> sends) {
        if (content.period() instanceof FixedPeriod || content.period() instanceof SinceLastIssue) {
            return Optional.empty();
        }
        List<Seam> seams = new ArrayList<>();
        for (int i = 1; i < sends.size(); i++) {
            between(terms, content, sends.get(i - 1), sends.get(i)).ifPresent(seams::add);
        }
        return seams.stream()
                .filter(seam -> seam.kind() == Kind.GAP)
                .findFirst()
                .or(() -> seams.stream().findFirst());
    }

    private static Optional<Seam> between(Terms terms, Content content, Occurrence one, Occurrence other) {
        LocalDate first = one.local().toLocalDate();
        LocalDate second = other.local().toLocalDate();
        Window before = content.on(terms.inZone(one.at()), terms.firstDayOfWeek());
        Window after = content.on(terms.inZone(other.at()), terms.firstDayOfWeek());
        if (before.equals(after)) {
            return Optional.of(new Seam(Kind.SAME, first, second, after));
        }
        if (after.start().isAfter(before.end())) {
            Window lost = between(terms, before.end(), after.start());
            return Optional.of(new Seam(Kind.GAP, first, second, lost));
        }
        return after.start().isBefore(before.end())
                ? Optional.of(new Seam(Kind.OVERLAP, first, second, between(terms, after.start(), before.end())))
                : Optional.empty();
    }

    private static Window between(Terms terms, LocalDateTime from, LocalDateTime before) {
        return Window.between(from, before, terms.schedule().zone());
    }
}
