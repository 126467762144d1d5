package mailshelf.core.report;

import java.time.ZoneOffset;
import java.util.List;
import mailshelf.core.data.Filter;
import mailshelf.core.named.InText;
import mailshelf.core.time.IsoTime;
import mailshelf.core.wording.Dates;
import mailshelf.core.wording.OneLine;
import mailshelf.core.wording.Words;

/** Says what filters let through: "cause other than weather", "delay from 10". */
public final class FilterWords {
    private final Words words;
    private final int mostValues;

    /** @param mostValues how many values of a column are named */
    public FilterWords(Words words, int mostValues) {
        this.words = words;
        this.mostValues = mostValues;
    }

    /**
     * The values alone where some of them are asked for, as most values say what they are of.
     *
     * @param named its column and measure by their titles
     */
    public String of(Filter named) {
        List<String> values = named.values().stream().map(this::readable).toList();
        String column = OneLine.of(named.column());
        String key = "filter." + named.test();
        return switch (named.test()) {
            case ANY_OF, NONE_OF -> words.say(key, column, words.shortList(values, mostValues));
            case CONTAINS -> words.say(key, column, values.get(0));
            case ANSWER -> words.say(key, column, value(values.get(0)));
            case BETWEEN -> between(column, values.get(0), values.get(1));
            case TOP -> words.say(key, column, values.get(0), values.get(1));
            case EMPTY, FILLED -> words.say(key, column);
        };
    }

    private String readable(String value) {
        if (value.equals(Filter.HIDDEN)) {
            return words.say("filter.hidden");
        }
        return Filter.reference(value).map(name -> "“" + OneLine.of(name) + "”").orElseGet(() -> OneLine.of(value));
    }

    private String between(String column, String from, String to) {
        if (from.equals(to)) {
            return words.say("filter.exactly", column, value(from));
        }
        if (to.isEmpty()) {
            return words.say("filter.from", column, value(from));
        }
        return from.isEmpty()
                ? words.say("filter.to", column, value(to))
                : words.say("filter.BETWEEN", column, value(from), value(to));
    }

    /** A named value as it stands in a text. */
    public String value(InText named) {
        return OneLine.of(named.written(this::value));
    }

    /** A number, a day or a time as it is read; any other text as it is. */
    public String value(String raw) {
        Dates dates = words.dates(ZoneOffset.UTC);
        return Filter.day(raw)
                .map(dates::fullDay)
                .or(() -> IsoTime.read(raw).map(dates::fullTime))
                .orElseGet(() -> Filter.number(raw)
                        .map(number -> words.figures().number(number, Math.max(0, number.scale())))
                        .orElse(raw));
    }
}
