package mailshelf.core.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FindableTest {
    private static final Map<String, Findable> REPORTS = new TreeMap<>(Map.of(
            "cancelled", report("Cancelled sailings", "Which did not go.", "Traffic", "storm"),
            "sailings", report("Sailings a day", "How much is going on.", "Traffic", "plan"),
            "fares", report("Fares", "What sailings bring in.", "Økonomi", "money"),
            "fjord", report("Fjörd cruises", "Who comes along.", "Passengers", "summer")));

    private static Findable report(String title, String about, String folder, String tag) {
        String yaml = Ferries.YAML
                .replace("report: Cancelled sailings", "report: " + title)
                .replace("about: Which sailings did not go, and why.", "about: " + about)
                .replace("tags: [traffic]", "tags: [" + tag + "]");
        return new Findable(DefinitionReader.read(yaml, Ferries.COLUMNS), List.of("Brinewater", folder));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                sail            | sailings cancelled fares fjord
                SAILINGS can    | cancelled sailings fares fjord
                fjord           | fjord
                okonomi         | fares
                storm           | cancelled
                overview        | cancelled fares fjord sailings
                passengers      | fjord cancelled fares sailings
                ailings         |
                fare            | fares cancelled fjord sailings
                """)
    void what_begins_with_the_words_is_found_and_titles_come_first(String question, String found) {
        List<String> asked = Findable.question(question);
        List<String> ranked = REPORTS.entrySet().stream()
                .filter(report -> report.getValue().rank(asked).isPresent())
                .sorted(Comparator.comparing((Map.Entry<String, Findable> report) ->
                        -report.getValue().rank(asked).orElseThrow()))
                .map(Map.Entry::getKey)
                .toList();

        assertThat(String.join(" ", ranked)).isEqualTo(found == null ? "" : found);
    }

    @Test
    void what_is_not_in_the_title_tells_where_it_was_found() {
        Findable report = REPORTS.get("cancelled");

        assertThat(report.foundIn(Findable.question("storm"))).contains("storm");
        assertThat(report.foundIn(Findable.question("cancelled every"))).contains("Every sailing");
        assertThat(report.foundIn(Findable.question("cancelled"))).isEmpty();
    }
}
