package mailshelf.core.wording;

import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Texts as they are compared in searches: in small letters, without accents. "Fjörd" is found by "fjord". */
public final class Folded {
    private static final Pattern MARKS = Pattern.compile("\\p{M}");
    private static final Pattern BETWEEN_WORDS = Pattern.compile("[^\\p{L}\\p{N}]+");

    private Folded() {}

    public static String of(String text) {
        String small = text.toLowerCase(Locale.ROOT);
        String plain =
                MARKS.matcher(Normalizer.normalize(small, Normalizer.Form.NFD)).replaceAll("");
        // letters with a stroke have no accent that could be taken off
        return plain.replace('ø', 'o')
                .replace("æ", "ae")
                .replace('đ', 'd')
                .replace('ł', 'l')
                .replace("ß", "ss");
    }

    /** Its words, each folded, in order. */
    public static Stream<String> words(String text) {
        return BETWEEN_WORDS.splitAsStream(of(text)).filter(word -> !word.isEmpty());
    }
}
