package mailshelf.demo;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.Month;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import mailshelf.core.data.Column;

/**
 * The sailings of Brinewater Ferries, a made-up operator: the same day gives the same rows, whenever it is asked for.
 * Figures have stories to find: quiet weekends in winter, a full summer, a week of storm, a vessel in dock, one route
 * whose engine is old.
 */
final class Sailings implements Feed {
    private static final long SEED = 20_261_125L;
    /** Where the planned time stands in a row. */
    private static final int PLANNED = 5;

    private static final List<Route> ROUTES = List.of(
            new Route("1 Ness–Hovden", "Ness", "Hovden", List.of("Alke", "Lomvi"), 20, 118, 34),
            new Route("2 Hovden–Skarv", "Hovden", "Skarv", List.of("Teist", "Skarv"), 14, 74, 22),
            new Route("3 Sandvoll–Ness", "Sandvoll", "Ness", List.of("Terna"), 12, 66, 18),
            new Route("4 Skarv–Ytre Holm", "Skarv", "Ytre Holm", List.of("Tjeld"), 12, 41, 9),
            new Route("5 Holm ring", "Ytre Holm", "Indre Holm", List.of("Lunde", "Havelle"), 8, 28, 5),
            new Route("6 Night boat", "Ness", "Fjellvik", List.of("Svartbak"), 2, 96, 41));

    private final LocalDate opening;

    /** @param opening the day that the demo was first started; storm and dock lie before it */
    Sailings(LocalDate opening) {
        this.opening = opening;
    }

    private record Route(
            String name, String from, String to, List<String> vessels, int sailings, int passengers, int cars) {}

    private record Cancelled(boolean yes, String cause) {}

    @Override
    public String dataSet() {
        return "sailings";
    }

    @Override
    public List<Column> columns() {
        return List.of(
                Column.date("date"),
                Column.text("route"),
                Column.text("vessel"),
                Column.text("from"),
                Column.text("to"),
                Column.text("planned"),
                Column.text("actual"),
                Column.number("delay", 0),
                Column.number("passengers", 0),
                Column.number("cars", 0),
                Column.text("cancelled"),
                Column.text("cause"),
                Column.text("on time"));
    }

    /** In the order of departure. */
    @Override
    public Stream<List<String>> of(LocalDate day) {
        Random random = new Random(SEED ^ day.toEpochDay() * 0x9E3779B97F4A7C15L);
        List<List<String>> rows = new ArrayList<>();
        for (Route route : ROUTES) {
            int sailings = isWeekend(day) ? Math.max(2, route.sailings() * 7 / 10) : route.sailings();
            for (int i = 0; i < sailings; i++) {
                rows.add(row(day, route, i, sailings, random));
            }
        }
        rows.sort(Comparator.comparing(row -> row.get(PLANNED)));
        rows.sort(Comparator.comparing(row -> row.get(PLANNED)));
        return rows.stream();
    }

    private List<String> row(LocalDate day, Route route, int i, int sailings, Random random) {
        LocalTime planned = route.sailings() == 2
                ? LocalTime.of(i == 0 ? 5 : 22, 30)
                : LocalTime.of(5, 40).plusMinutes(i * (16 * 60L) / sailings / 5 * 5);
        boolean out = i % 2 == 0;
        String vessel = route.vessels().get(i % route.vessels().size());
        boolean inDock = vessel.equals("Terna") && isInDock(day);
        Cancelled cancelled = cancelled(day, route, inDock, random);
        int delay = delay(day, random);
        double fill = fill(day, planned) * (0.7 + random.nextDouble() * 0.6);
        return List.of(
                day.toString(),
                route.name(),
                inDock ? "Krykkje" : vessel,
                out ? route.from() : route.to(),
                out ? route.to() : route.from(),
                planned.toString(),
                cancelled.yes() ? "" : planned.plusMinutes(delay).toString(),
                cancelled.yes() ? "" : Integer.toString(delay),
                cancelled.yes() ? "0" : Long.toString(Math.round(route.passengers() * fill)),
                cancelled.yes() ? "0" : Long.toString(Math.round(route.cars() * fill)),
                cancelled.yes() ? "yes" : "no",
                cancelled.cause(),
                cancelled.yes() ? "" : delay <= 3 ? "yes" : "no");
    }

    private Cancelled cancelled(LocalDate day, Route route, boolean inDock, Random random) {
        double wind = isStorm(day) ? 0.16 : Feed.isWinter(day) ? 0.016 : 0.006;
        double crew = day.getMonth() == Month.JULY ? 0.010 : 0.006;
        double engine = route.name().startsWith("3") ? 0.008 : 0.003;
        if (inDock) {
            crew += 0.03;
        }
        if (route.name().startsWith("5")) {
            wind *= 2.2;
        }
        double dice = random.nextDouble();
        if (dice < wind) {
            return new Cancelled(true, "wind");
        }
        if (dice < wind + crew) {
            return new Cancelled(true, "crew");
        }
        return dice < wind + crew + engine ? new Cancelled(true, "engine") : new Cancelled(false, "");
    }

    private int delay(LocalDate day, Random random) {
        double mean = isStorm(day) ? 9 : Feed.isSummer(day) ? 3.2 : 1.8;
        return (int) Math.min(95, Math.floor(-mean * Math.log(1 - random.nextDouble())));
    }

    private static double fill(LocalDate day, LocalTime planned) {
        double season = Feed.isSummer(day) ? 1.35 : Feed.isWinter(day) ? 0.72 : 0.9;
        boolean rush = planned.getHour() == 7 || planned.getHour() == 16;
        double hour = rush ? 1.5 : planned.getHour() < 6 ? 0.4 : 0.85;
        return season * hour * (isWeekend(day) && !Feed.isSummer(day) ? 0.75 : 1);
    }

    private boolean isStorm(LocalDate day) {
        LocalDate monday = opening.minusWeeks(7).with(DayOfWeek.MONDAY);
        return !day.isBefore(monday) && day.isBefore(monday.plusDays(6));
    }

    private boolean isInDock(LocalDate day) {
        return !day.isBefore(opening.minusDays(13)) && day.isBefore(opening.plusDays(15));
    }

    private static boolean isWeekend(LocalDate day) {
        return day.getDayOfWeek().getValue() >= DayOfWeek.SATURDAY.getValue();
    }
}
