package mailshelf.core.wording;

import java.text.MessageFormat;
import java.time.Duration;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import java.util.ResourceBundle;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The words of one language, from {@code mailshelf/core/wording/words*.properties}. Immutable and shared. A key that
 * is missing is a bug of ours and fails loudly; tests hold every key that code names.
 */
public final class Words {
    private static final Map<Locale, Words> BY_LOCALE = new ConcurrentHashMap<>();

    private final Locale locale;
    private final ResourceBundle bundle;

    private Words(Locale locale) {
        this.locale = locale;
        this.bundle = ResourceBundle.getBundle(
                "mailshelf.core.wording.words",
                locale,
                ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES));
    }

    public static Words in(Locale locale) {
        return BY_LOCALE.computeIfAbsent(locale, Words::new);
    }

    public Locale locale() {
        return locale;
    }

    /** Numbers as this locale writes them. */
    public Figures figures() {
        return Figures.in(locale);
    }

    /** A title within a sentence: it begins small, unless its first word is an abbreviation or a name in capitals. */
    public String inSentence(String title) {
        boolean isWord = title.length() > 1 && !Character.isUpperCase(title.charAt(1));
        return isWord ? title.substring(0, 1).toLowerCase(locale()) + title.substring(1) : title;
    }

    /** Dates and times as this locale writes them, in a zone. */
    public Dates dates(ZoneId zone) {
        return new Dates(locale, zone);
    }

    /**
     * The words for a key with its values put in; plural forms by {@code {0,choice,…}}.
     *
     * @throws IllegalStateException if no message file has the key
     */
    public String say(String key, Object... values) {
        try {
            return new MessageFormat(bundle.getString(key), locale).format(values);
        } catch (MissingResourceException e) {
            throw new IllegalStateException("No words for \"" + key + "\" in " + locale, e);
        }
    }

    public boolean has(String key) {
        return bundle.containsKey(key);
    }

    /** "6 hours": whole days, or else hours, or else minutes. */
    public String span(Duration span) {
        if (span.toMinutesPart() > 0) {
            return say("span.minutes", span.toMinutes());
        }
        return span.toHoursPart() > 0 ? say("span.hours", span.toHours()) : say("span.days", span.toDays());
    }

    /** "a", "a and b", "a, b and c". */
    public String list(List<String> items) {
        if (items.isEmpty()) {
            return "";
        }
        if (items.size() == 1) {
            return items.get(0);
        }
        String head = String.join(say("list.separator"), items.subList(0, items.size() - 1));
        return head + say("list.last") + items.get(items.size() - 1);
    }

    /** As {@link #list}, cut after {@code most} items: "a, b and 4 more". */
    public String shortList(List<String> items, int most) {
        if (items.size() <= most) {
            return list(items);
        }
        return String.join(say("list.separator"), items.subList(0, most))
                + say("list.last")
                + say("list.more", items.size() - most);
    }
}
