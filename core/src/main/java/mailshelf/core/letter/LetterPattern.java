package mailshelf.core.letter;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import mailshelf.core.report.MergeText;
import mailshelf.core.wording.Figures;
import mailshelf.core.wording.OneLine;
import mailshelf.core.wording.Shortened;

/**
 * The subject and the text of a subscription's mails, as its owner writes them: with fields in braces, such as
 * {@code {days}} or, with what stands there where a field says nothing, <code>{value of routes; all routes}</code>.
 *
 * @param subject "" for {@link #USUAL_SUBJECT}
 * @param text stands before the figures, in lines; "" for none
 */
public record LetterPattern(String subject, String text) {
    /** What mails say of whose letter nothing is written. */
    public static final String USUAL_SUBJECT = "{subscription}: {number}, {days}";

    public static final LetterPattern USUAL = new LetterPattern("", "");

    public static final int LONGEST_SUBJECT = 200;
    public static final int LONGEST_TEXT = 2000;

    /** Fewer letters at its beginning do not tell it from other mails. */
    private static final int SHORTEST_OPENING = 3;

    /** Fields that say the same in all mails of a subscription. */
    private static final Set<String> CONSTANT = Set.of("subscription", "report", "page");

    public LetterPattern {
        subject = subject.strip();
        text = text.replace("\r\n", "\n").strip();
    }

    /** Whether it can be kept: not too long, its subject one line, and nothing that does not belong into lines. */
    public boolean canBeKept() {
        return subject.length() <= LONGEST_SUBJECT
                && text.length() <= LONGEST_TEXT
                && subject.equals(OneLine.of(subject))
                && text.lines().allMatch(line -> line.equals(OneLine.of(line)));
    }

    public boolean hasOwnSubject() {
        return !subject.isEmpty();
    }

    public boolean hasText() {
        return !text.isEmpty();
    }

    private String subjectOrUsual() {
        return hasOwnSubject() ? subject : USUAL_SUBJECT;
    }

    /** The names of its fields, in order, each as often as it occurs. */
    public List<String> fields() {
        List<String> names = new ArrayList<>();
        Matcher braces = MergeText.FIELD.matcher(subjectOrUsual() + "\n" + text);
        while (braces.find()) {
            names.add(Field.of(braces.group(1)).name());
        }
        return names;
    }

    /** Those of its fields that no letter has, in order. */
    public List<String> unknown(Collection<String> figures, Predicate<String> isNamedValue) {
        return fields().stream()
                .filter(field -> !LetterFields.ALWAYS.contains(field))
                .filter(field ->
                        LetterFields.figure(field).filter(figures::contains).isEmpty())
                .filter(field ->
                        MergeText.namedValue(field).filter(isNamedValue).isEmpty())
                .distinct()
                .toList();
    }

    /** The named values that it puts in. */
    public Set<String> namedValues() {
        Set<String> names = new TreeSet<>();
        fields().forEach(field -> MergeText.namedValue(field).ifPresent(names::add));
        return names;
    }

    /** The titles of the key figures that it puts in. */
    public Set<String> figures() {
        Set<String> titles = new TreeSet<>();
        fields().forEach(field -> LetterFields.figure(field).ifPresent(titles::add));
        return titles;
    }

    /** Whether all subjects begin alike, so that mailbox rules can go by it. */
    public boolean beginsAlike() {
        Matcher first = MergeText.FIELD.matcher(subjectOrUsual());
        return !first.find()
                || first.start() >= SHORTEST_OPENING
                || CONSTANT.contains(Field.of(first.group(1)).name());
    }

    /** The subject with its fields filled in, on one line that is not too long. */
    public String subject(LetterFields fields) {
        return Shortened.to(LONGEST_SUBJECT, OneLine.of(filled(subjectOrUsual(), fields)));
    }

    /** The text with its fields filled in. */
    public String text(LetterFields fields) {
        return filled(text, fields);
    }

    private static String filled(String pattern, LetterFields fields) {
        return MergeText.filled(pattern, braces -> {
            Field field = Field.of(braces);
            String otherwise = field.otherwise().isEmpty() ? Figures.NOTHING : field.otherwise();
            return fields.says(field.name())
                    .map(said -> said.isBlank() || said.equals(Figures.NOTHING) ? otherwise : OneLine.of(said))
                    .orElse("{" + braces + "}");
        });
    }

    /** A field as it stands in braces: its name, and behind a semicolon what stands there where it says nothing. */
    private record Field(String name, String otherwise) {
        static Field of(String braces) {
            int end = braces.indexOf(';');
            return end < 0
                    ? new Field(braces.strip(), "")
                    : new Field(
                            braces.substring(0, end).strip(),
                            braces.substring(end + 1).strip());
        }
    }
}
