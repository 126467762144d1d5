package mailshelf.core.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import mailshelf.core.report.PageModel.ChartModel;
import mailshelf.core.report.PageModel.Series;
import mailshelf.core.time.Window;

/** Makes a chart of what its measure comes to. */
final class ChartFill {
    /** As many as the house has colours; what is beyond is summed up as one. */
    private static final int MOST_SERIES = 6;

    private final Block.Chart chart;
    private final Amounts amounts;
    private final List<Category> categories;

    /** Groups along the axis that are one there. */
    private record Category(String label, List<Integer> groups) {}

    private ChartFill(Block.Chart chart, Amounts amounts) {
        this.chart = chart;
        this.amounts = amounts;
        this.categories = categories();
    }

    static ChartModel fill(Block.Chart chart, Window window, Amounts amounts) {
        return new ChartFill(chart, amounts).model(window);
    }

    private ChartModel model(Window window) {
        List<Series> values =
                chart.split().isEmpty() ? List.of(new Series("", along(amounts.secondGroups()))) : splitSeries();
        boolean inPercent = chart.kind() == Block.ChartKind.SHARE;
        return new ChartModel(
                chart.id(),
                chart.title(),
                chart.kind(),
                chart.shown(),
                (inPercent ? Shown.SHARE : chart.shown()).format(chart.measure().format()),
                chart.over().map(Block.Trend::grain),
                categories.stream().map(Category::label).toList(),
                window,
                inPercent ? parts(values) : values);
    }

    /** All spans of time; of a column's values, those with rows. */
    private List<Category> categories() {
        List<Integer> groups = chart.over().isPresent() ? amounts.firstGroups() : amounts.firstGroupsWithRows();
        int most = chart.top().orElse(groups.size());
        if (chart.top().isPresent()) {
            groups = groups.stream()
                    .sorted(Comparator.comparing(this::size).reversed())
                    .toList();
        }
        List<Category> found = new ArrayList<>();
        // one alone is shown by its name, as there is room for it
        int own = groups.size() == most + 1 ? groups.size() : Math.min(most, groups.size());
        for (int group : groups.subList(0, own)) {
            found.add(new Category(amounts.first().labels().get(group), List.of(group)));
        }
        if (groups.size() > own) {
            found.add(new Category(Evaluation.REST, groups.subList(own, groups.size())));
        }
        return found;
    }

    private BigDecimal size(int group) {
        return amounts.value(List.of(group), amounts.secondGroups()).orElse(BigDecimal.ZERO);
    }

    private List<Optional<BigDecimal>> along(List<Integer> seconds) {
        List<Optional<BigDecimal>> values =
                amounts.values(categories.stream().map(Category::groups).toList(), seconds);
        return switch (chart.shown()) {
            case VALUE, CHANGE, CHANGE_IN_PERCENT -> values;
            case RUNNING_TOTAL -> Shares.runningTotals(values, List.of());
            case SHARE -> {
                Optional<BigDecimal> whole = amounts.value(amounts.firstGroups(), amounts.secondGroups());
                yield values.stream().map(value -> Shares.share(value, whole)).toList();
            }
        };
    }

    /** The largest parts first, so that colours mean the same from issue to issue as long as the order holds. */
    private List<Series> splitSeries() {
        List<Integer> bySize = amounts.secondGroupsBySize();
        if (bySize.isEmpty()) {
            return List.of(new Series("", along(amounts.secondGroups())));
        }
        boolean tooMany = bySize.size() > MOST_SERIES;
        List<Integer> own = tooMany ? bySize.subList(0, MOST_SERIES - 1) : bySize;
        List<Series> series = new ArrayList<>();
        for (int group : own) {
            series.add(new Series(amounts.secondLabel(group), along(List.of(group))));
        }
        if (tooMany) {
            series.add(new Series(Evaluation.REST, along(bySize.subList(MOST_SERIES - 1, bySize.size()))));
        }
        return series;
    }

    /** Each in per cent of what all of its category are together. */
    private static List<Series> parts(List<Series> series) {
        List<Optional<BigDecimal>> wholes = IntStream.range(
                        0, series.get(0).values().size())
                .mapToObj(i -> series.stream()
                        .flatMap(each -> each.values().get(i).stream())
                        .reduce(BigDecimal::add))
                .toList();
        return series.stream()
                .map(each -> new Series(
                        each.name(),
                        IntStream.range(0, wholes.size())
                                .mapToObj(i -> Shares.share(each.values().get(i), wholes.get(i)))
                                .toList()))
                .toList();
    }
}
