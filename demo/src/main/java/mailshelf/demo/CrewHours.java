package mailshelf.demo;

import java.time.LocalDate;
import java.util.List;
import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import mailshelf.core.data.Column;

/** Hours worked by route and duty, and who was in charge; overtime where the regular vessel is in dock. */
final class CrewHours implements Feed {
    private static final List<String> ROUTES = List.of(
            "1 Ness–Hovden", "2 Hovden–Skarv", "3 Sandvoll–Ness", "4 Skarv–Ytre Holm", "5 Holm ring", "6 Night boat");
    private static final List<String> DUTIES = List.of("bridge", "deck", "engine", "café");

    /** Who is in charge of a duty, a week at a time. */
    private static final List<String> NAMES = List.of(
            "Aslak Moen",
            "Berit Sand",
            "Dag Rimstad",
            "Eli Toft",
            "Frode Vik",
            "Gudrun Lie",
            "Halvor Nes",
            "Inga Berge",
            "Kjell Strand",
            "Liv Aune",
            "Magne Skog",
            "Nora Haug");

    private final LocalDate opening;

    CrewHours(LocalDate opening) {
        this.opening = opening;
    }

    @Override
    public String dataSet() {
        return "crew hours";
    }

    @Override
    public List<Column> columns() {
        return List.of(
                Column.date("day"),
                Column.text("route"),
                Column.text("duty"),
                Column.text("who"),
                Column.number("hours", 1),
                Column.number("overtime", 1),
                Column.number("ill", 0));
    }

    @Override
    public Stream<List<String>> of(LocalDate day) {
        RandomGenerator chance = chance(day);
        return ROUTES.stream().flatMap(route -> DUTIES.stream().map(duty -> worked(day, route, duty, chance)));
    }

    private List<String> worked(LocalDate day, String route, String duty, RandomGenerator chance) {
        int shifts = route.startsWith("1") ? 6 : route.startsWith("6") ? 2 : 4;
        boolean inDock = route.startsWith("3") && !day.isBefore(opening.minusDays(13));
        double over = (inDock ? 5 : 1) * chance.nextDouble() * (duty.equals("engine") ? 2 : 1);
        int ill = chance.nextInt(Feed.isWinter(day) ? 9 : 20) == 0 ? 1 : 0;
        return List.of(
                day.toString(),
                route,
                duty,
                NAMES.get(Math.floorMod(route.hashCode() + duty.hashCode() + day.getDayOfYear() / 7, NAMES.size())),
                Feed.decimal(shifts * 7.5 + over, 1),
                Feed.decimal(over, 1),
                Integer.toString(ill));
    }
}
