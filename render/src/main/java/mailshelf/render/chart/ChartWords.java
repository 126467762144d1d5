package mailshelf.render.chart;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;

/** Says a chart in words, for those who cannot see it. */
public final class ChartWords {
    /** As many values as are listened to; of more, where each series begins and ends and what lies between. */
    private static final int MOST_VALUES = 60;

    private ChartWords() {}

    public static String of(Written.Chart chart, Words words) {
        return of(chart, 0, chart.categories().size(), words);
    }

    /** Of some of its categories alone. */
    public static String of(Written.Chart chart, int from, int to, Words words) {
        if (!chart.nothing().isEmpty()) {
            return chart.nothing();
        }
        String kind = words.say("chart.said." + chart.kind(), chart.title());
        boolean isShort = (to - from) * chart.series().size() <= MOST_VALUES;
        String values = isShort
                ? IntStream.range(from, to)
                        .mapToObj(category -> category(chart, category))
                        .collect(Collectors.joining("; "))
                : chart.series().stream()
                        .map(series -> course(chart, series, words))
                        .collect(Collectors.joining("; "));
        return kind + " " + values + ".";
    }

    private static String category(Written.Chart chart, int category) {
        return chart.categories().get(category)
                + ": "
                + chart.series().stream()
                        .map(series -> (series.name() + " " + series.written().get(category)).strip())
                        .collect(Collectors.joining(", "));
    }

    private static String course(Written.Chart chart, Written.Series series, Words words) {
        List<Integer> places = IntStream.range(0, series.values().size())
                .filter(i -> series.values().get(i) != null)
                .boxed()
                .toList();
        if (places.isEmpty()) {
            return series.name();
        }
        Comparator<Integer> byValue = Comparator.comparing(series.values()::get);
        int lowest = places.stream().min(byValue).orElseThrow();
        int highest = places.stream().max(byValue).orElseThrow();
        int first = places.get(0);
        int last = places.get(places.size() - 1);
        String said = words.say(
                "chart.said.course",
                at(chart, series, first),
                at(chart, series, last),
                at(chart, series, lowest),
                at(chart, series, highest));
        return (series.name() + " " + said).strip();
    }

    private static String at(Written.Chart chart, Written.Series series, int place) {
        return series.written().get(place) + " (" + chart.categories().get(place) + ")";
    }
}
