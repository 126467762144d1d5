package mailshelf.demo;

import java.time.LocalDate;
import java.util.List;
import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import mailshelf.core.data.Column;

/** Wind at the piers, as the harbour's station measured it before it fell silent. */
final class Wind implements Feed {
    private static final List<String> PIERS = List.of("Ness", "Hovden", "Skarv", "Ytre Holm", "Fjellvik");

    @Override
    public String dataSet() {
        return "wind";
    }

    @Override
    public List<Column> columns() {
        return List.of(Column.date("day"), Column.text("pier"), Column.number("mean", 1), Column.number("gust", 1));
    }

    @Override
    public Stream<List<String>> of(LocalDate day) {
        RandomGenerator chance = chance(day);
        double weather = (Feed.isWinter(day) ? 9 : 5) + 4 * chance.nextGaussian();
        return PIERS.stream().map(pier -> {
            double mean = Math.max(0.4, weather + (pier.equals("Ytre Holm") ? 3 : 0) + chance.nextGaussian());
            return List.of(
                    day.toString(),
                    pier,
                    Feed.decimal(mean, 1),
                    Feed.decimal(mean * (1.3 + 0.3 * chance.nextDouble()), 1));
        });
    }
}
