package mailshelf.demo;

import java.time.LocalDate;
import java.util.List;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.data.Column;

/** Tickets sold: many, so that it is felt how fast a page is. The app gains on the quay, and summer sells cars. */
final class Tickets implements Feed {
    private static final List<String> ROUTES = List.of(
            "1 Ness–Hovden",
            "1 Ness–Hovden",
            "1 Ness–Hovden",
            "2 Hovden–Skarv",
            "2 Hovden–Skarv",
            "3 Sandvoll–Ness",
            "3 Sandvoll–Ness",
            "4 Skarv–Ytre Holm",
            "5 Holm ring",
            "6 Night boat");
    static final int MONTHS = 14;
    private static final int CUSTOMERS = 30_000;

    private final long wanted;
    private final LocalDate from;
    private final double weights;

    /**
     * @param wanted how many there are in all
     * @param from the first day that has any
     * @param to the last of the days over which they are spread
     */
    Tickets(long wanted, LocalDate from, LocalDate to) {
        this.wanted = wanted;
        this.from = from;
        this.weights =
                from.datesUntil(to.plusDays(1)).mapToDouble(Tickets::weight).sum();
    }

    @Override
    public String dataSet() {
        return "tickets";
    }

    @Override
    public int months() {
        return MONTHS;
    }

    @Override
    public List<Column> columns() {
        return List.of(
                Column.date("day"),
                Column.text("route"),
                Column.text("tariff"),
                Column.text("channel"),
                Column.text("customer"),
                Column.number("passengers", 0),
                Column.number("price", 2));
    }

    private static double weight(LocalDate day) {
        double season = Feed.isSummer(day) ? 1.6 : Feed.isWinter(day) ? 0.8 : 1;
        return day.getDayOfWeek().getValue() >= 5 ? season * 1.2 : season;
    }

    @Override
    public Stream<List<String>> of(LocalDate day) {
        RandomGenerator chance = chance(day);
        int sold = (int) Math.ceil(wanted * weight(day) / weights);
        return IntStream.range(0, sold).mapToObj(i -> ticket(day, chance));
    }

    private List<String> ticket(LocalDate day, RandomGenerator chance) {
        String route = ROUTES.get(chance.nextInt(ROUTES.size()));
        String tariff = tariff(day, chance);
        int passengers =
                tariff.equals("group") ? 8 + chance.nextInt(30) : 1 + chance.nextInt(tariff.equals("car") ? 4 : 2);
        return List.of(
                day.toString(),
                route,
                tariff,
                channel(day, chance),
                "C" + (int) (Math.pow(chance.nextDouble(), 2) * CUSTOMERS),
                Integer.toString(passengers),
                Feed.decimal(price(route, tariff, passengers), 2));
    }

    private static String tariff(LocalDate day, RandomGenerator chance) {
        double dice = chance.nextDouble();
        double cars = Feed.isSummer(day) ? 0.3 : 0.18;
        if (dice < cars) {
            return "car";
        }
        if (dice < cars + 0.02) {
            return "group";
        }
        return dice < cars + 0.27 ? "ten trips" : dice < cars + 0.45 ? "return" : "single";
    }

    private String channel(LocalDate day, RandomGenerator chance) {
        double app = 0.25 + 0.2 * Math.min(1, (day.toEpochDay() - from.toEpochDay()) / 400.0);
        double dice = chance.nextDouble();
        if (dice < app) {
            return "app";
        }
        return dice < app + 0.25 ? "web" : dice < 0.9 ? "quay" : "on board";
    }

    private static double price(String route, String tariff, int passengers) {
        double far = route.startsWith("6") ? 3.4 : route.startsWith("4") ? 1.4 : 1;
        return far
                * switch (tariff) {
                    case "car" -> 96 + 21.5 * passengers;
                    case "group" -> 29 * passengers;
                    case "ten trips" -> 31.5 * passengers;
                    case "return" -> 76 * passengers;
                    default -> 42 * passengers;
                };
    }
}
