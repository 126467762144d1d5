package mailshelf.core.letter;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.report.MergeText;

/**
 * What the fields of a letter say in one mail, in the words of its language; "" where one says nothing.
 *
 * @param number of the issue; that it is a trial for one that has none
 * @param days that the issue shows
 * @param date of the send, by the subscription's clocks
 * @param recipient by name
 */
public record LetterFields(
        String subscription, String number, String days, String date, String time, String recipient, OfCopy copy) {
    /** Fields that every letter may have. */
    public static final List<String> ALWAYS =
            List.of("subscription", "report", "page", "days", "figures to", "number", "date", "time", "recipient");

    private static final String FIGURE_OF = "figure of ";

    /**
     * What the copy itself says.
     *
     * @param report the titles of all its reports
     * @param page the title of its first page
     * @param figuresTo the last day with figures
     * @param figures each key figure by its title
     * @param named what named values come to, by name
     */
    public record OfCopy(
            String report, String page, String figuresTo, Map<String, String> figures, Map<String, String> named) {
        public OfCopy {
            figures = Map.copyOf(figures);
            named = Map.copyOf(named);
        }
    }

    /** The field that puts in a key figure. */
    public static String figureOf(String title) {
        return FIGURE_OF + title;
    }

    /** The title of the key figure that a field puts in; empty for any other field. */
    static Optional<String> figure(String field) {
        return field.startsWith(FIGURE_OF) ? Optional.of(field.substring(FIGURE_OF.length())) : Optional.empty();
    }

    /** What a field says; "" where the copy has no such figure or value, empty for one that no letter has. */
    public Optional<String> says(String field) {
        return switch (field) {
            case "subscription" -> Optional.of(subscription);
            case "report" -> Optional.of(copy.report());
            case "page" -> Optional.of(copy.page());
            case "days" -> Optional.of(days);
            case "figures to" -> Optional.of(copy.figuresTo());
            case "number" -> Optional.of(number);
            case "date" -> Optional.of(date);
            case "time" -> Optional.of(time);
            case "recipient" -> Optional.of(recipient);
            default ->
                figure(field)
                        .map(title -> copy.figures().getOrDefault(title, ""))
                        .or(() -> MergeText.namedValue(field)
                                .map(name -> copy.named().getOrDefault(name, "")));
        };
    }
}
