package mailshelf.core.wording;

import com.ibm.icu.text.Collator;
import com.ibm.icu.text.RawCollationKey;
import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;

/**
 * The order in which people look for names and texts: "ärlig" beside "arlig" and "b" between "A" and "C". It is the root
 * order of the Unicode Collation Algorithm (UTS 10, CLDR), which is also that of English; texts that it takes for equal
 * stand by their code points, so that the order is total and always the same.
 */
public final class Alphabet implements Comparator<String> {
    private static volatile Alphabet read;

    private final Collator collator;

    private Alphabet(Collator collator) {
        this.collator = collator;
    }

    /**
     * Read when it is first asked for, and again where that failed.
     *
     * @throws java.util.MissingResourceException where the program lacks its rules
     */
    public static Alphabet order() {
        Alphabet known = read;
        if (known == null) {
            known = new Alphabet(Collator.getInstance(ULocale.ROOT).freeze());
            read = known;
        }
        return known;
    }

    /** In the order of what they are called. */
    public static <T> List<T> sorted(List<T> named, Function<T, String> name) {
        List<T> sorted = new ArrayList<>(named);
        sorted.sort(Comparator.comparing(name, order()));
        return List.copyOf(sorted);
    }

    @Override
    public int compare(String a, String b) {
        int order = collator.compare(a, b);
        return order != 0 ? order : a.compareTo(b);
    }

    /** Sorts many: what each is compared by is worked out once. */
    public void sort(String[] texts) {
        Collator own = collator.cloneAsThawed();
        Keyed[] keyed = new Keyed[texts.length];
        Arrays.setAll(keyed, i -> new Keyed(own.getRawCollationKey(texts[i], null), texts[i]));
        Arrays.sort(keyed);
        Arrays.setAll(texts, i -> keyed[i].text());
    }

    private record Keyed(RawCollationKey key, String text) implements Comparable<Keyed> {
        @Override
        public int compareTo(Keyed other) {
            int order = key.compareTo(other.key);
            return order != 0 ? order : text.compareTo(other.text);
        }
    }
}
