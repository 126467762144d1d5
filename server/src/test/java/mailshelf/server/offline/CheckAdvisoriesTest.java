package mailshelf.server.offline;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import mailshelf.server.offline.ShippedPart.Ecosystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.ObjectMapper;

class CheckAdvisoriesTest {
    private static final ShippedPart PART = new ShippedPart(Ecosystem.MAVEN, "org.example:reader", "2.10.0");

    private static Advisory of(Map<String, ?> affected) {
        return new ObjectMapper().convertValue(Map.of("id", "X-1", "affected", List.of(affected)), Advisory.class);
    }

    private static Advisory ranged(String ecosystem, String name, String... kindsAndVersions) {
        List<Map<String, String>> events = new java.util.ArrayList<>();
        for (int i = 0; i < kindsAndVersions.length; i += 2) {
            events.add(Map.of(kindsAndVersions[i], kindsAndVersions[i + 1]));
        }
        return of(Map.of(
                "package", Map.of("ecosystem", ecosystem, "name", name),
                "ranges", List.of(Map.of("type", "ECOSYSTEM", "events", events))));
    }

    /** Versions are ordered as Maven orders them: 2.9 comes before 2.10, and a release candidate before its release. */
    @ParameterizedTest
    @CsvSource({
        "0, 2.9.9, false",
        "0, 2.10.0, false",
        "0, 2.10.1, true",
        "0, 2.10.0-rc1, false",
        "2.9, 3, true",
        "2.10.0, 3, true",
        "2.10.1, 3, false",
    })
    void a_version_is_affected_from_where_it_was_introduced_to_where_it_was_fixed(
            String introduced, String fixed, boolean isAffected) {
        Advisory advisory = ranged("Maven", PART.name(), "fixed", fixed, "introduced", introduced);

        assertThat(advisory.concerns(PART)).isEqualTo(isAffected);
    }

    @Test
    void what_came_back_is_there_again_and_the_last_affected_is_affected() {
        assertThat(ranged("Maven", PART.name(), "introduced", "0", "fixed", "2", "introduced", "2.5", "fixed", "2.11")
                        .concerns(PART))
                .isTrue();
        assertThat(ranged("Maven", PART.name(), "introduced", "0", "last_affected", "2.10.0")
                        .concerns(PART))
                .isTrue();
        assertThat(ranged("Maven", PART.name(), "introduced", "0", "last_affected", "2.9.9")
                        .concerns(PART))
                .isFalse();
    }

    @Test
    void only_the_library_itself_is_concerned() {
        assertThat(ranged("Maven", "org.example:writer", "introduced", "0").concerns(PART))
                .isFalse();
        assertThat(ranged("npm", PART.name(), "introduced", "0").concerns(PART)).isFalse();
        assertThat(ranged("npm", "@example/reader", "introduced", "1.0.0-beta.2")
                        .concerns(new ShippedPart(Ecosystem.NPM, "@example/reader", "1.0.0-beta.11")))
                .isTrue();
        assertThat(of(Map.of(
                                "package", Map.of("ecosystem", "Maven", "name", PART.name()),
                                "versions", List.of("2.9.0", "2.10.0")))
                        .concerns(PART))
                .isTrue();
    }
}
