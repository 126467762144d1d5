package mailshelf.demo;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.data.Column;

/** What passengers write, and how long they wait for an answer; those of the last days are open. */
final class Messages implements Feed {
    private static final Map<String, List<String>> TEXTS = Map.of(
            "late", List.of("We missed the bus by four minutes.", "Nobody said that it would be late, or why."),
            "cancelled", List.of("The seven o'clock did not go, and the next was full.", "Is there a bus instead?"),
            "fare", List.of("The app charged me twice.", "Why does a bicycle cost as much as a child?"),
            "crew", List.of("Thank you for waiting for my mother.", "The man at the ramp was rude."),
            "comfort", List.of("The heating was off again.", "The café closes before the last sailing."),
            "lost", List.of("A blue rucksack, left on the upper deck.", "Did anybody find a child's red mitten?"));
    private static final List<String> TOPICS =
            List.of("late", "late", "cancelled", "fare", "fare", "crew", "comfort", "lost");
    private static final List<String> ROUTES = List.of(
            "1 Ness–Hovden", "1 Ness–Hovden", "2 Hovden–Skarv", "3 Sandvoll–Ness", "4 Skarv–Ytre Holm", "5 Holm ring");

    private final LocalDate opening;

    Messages(LocalDate opening) {
        this.opening = opening;
    }

    @Override
    public String dataSet() {
        return "messages";
    }

    @Override
    public List<Column> columns() {
        return List.of(
                Column.time("received", ZoneId.of("Europe/Oslo")),
                Column.text("route"),
                Column.text("topic"),
                Column.text("came by"),
                Column.text("text"),
                Column.date("answered"),
                Column.number("waited", 0));
    }

    @Override
    public Stream<List<String>> of(LocalDate day) {
        RandomGenerator chance = chance(day);
        return IntStream.range(0, 5 + chance.nextInt(Feed.isSummer(day) ? 12 : 6))
                .mapToObj(i -> message(day, chance));
    }

    private List<String> message(LocalDate day, RandomGenerator chance) {
        String topic = TOPICS.get(chance.nextInt(TOPICS.size()));
        int waits = (int) Math.floor(-3 * Math.log(1 - chance.nextDouble()));
        LocalDate answered = day.plusDays(waits);
        boolean open = !answered.isBefore(opening) || chance.nextInt(60) == 0;
        // mostly by day, with a swell before work and after it
        int hour = (int) Math.max(
                0, Math.min(23, chance.nextBoolean() ? 8 + 2 * chance.nextGaussian() : 17 + 3 * chance.nextGaussian()));
        return List.of(
                day.atTime(hour, chance.nextInt(60)).toString(),
                ROUTES.get(chance.nextInt(ROUTES.size())),
                topic,
                chance.nextInt(3) == 0 ? "telephone" : "mail",
                TEXTS.get(topic).get(chance.nextInt(2)),
                open ? "" : answered.toString(),
                open ? "" : Integer.toString(waits));
    }
}
