package mailshelf.demo;

import java.time.LocalDate;
import java.util.List;
import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import mailshelf.core.data.Column;

/** What each vessel burns in a day; one grows thirsty as its hull is overgrown. */
final class Fuel implements Feed {
    private static final List<Vessel> VESSELS = List.of(
            new Vessel("Alke", 92, 34),
            new Vessel("Lomvi", 90, 34),
            new Vessel("Teist", 61, 27),
            new Vessel("Skarv", 63, 27),
            new Vessel("Terna", 70, 31),
            new Vessel("Tjeld", 84, 25),
            new Vessel("Lunde", 40, 16),
            new Vessel("Havelle", 39, 16),
            new Vessel("Svartbak", 118, 52));

    private final LocalDate opening;

    Fuel(LocalDate opening) {
        this.opening = opening;
    }

    private record Vessel(String name, int miles, double litresAMile) {}

    @Override
    public String dataSet() {
        return "fuel";
    }

    @Override
    public List<Column> columns() {
        return List.of(
                Column.date("day"),
                Column.text("vessel"),
                Column.number("litres", 0),
                Column.number("miles", 1),
                Column.number("engine hours", 1));
    }

    @Override
    public Stream<List<String>> of(LocalDate day) {
        RandomGenerator chance = chance(day);
        return VESSELS.stream().map(vessel -> burnt(day, vessel, chance));
    }

    private List<String> burnt(LocalDate day, Vessel vessel, RandomGenerator chance) {
        double overgrown = vessel.name().equals("Tjeld")
                ? 0.18 * Math.max(0, 1 - (opening.toEpochDay() - day.toEpochDay()) / 200.0)
                : 0;
        double miles = vessel.miles() * (0.8 + 0.3 * chance.nextDouble());
        double thirst = (Feed.isWinter(day) ? 1.07 : 1) * (1 + overgrown) * (0.95 + 0.1 * chance.nextDouble());
        return List.of(
                day.toString(),
                vessel.name(),
                Long.toString(Math.round(miles * vessel.litresAMile() * thirst)),
                Feed.decimal(miles, 1),
                Feed.decimal(miles / 9 + chance.nextDouble(), 1));
    }
}
