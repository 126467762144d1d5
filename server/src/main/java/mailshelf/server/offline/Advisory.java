package mailshelf.server.offline;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.maven.artifact.versioning.ComparableVersion;
import org.semver4j.Semver;

/**
 * A known vulnerability, as the Open Source Vulnerability format writes it; of which only what says whom it concerns.
 *
 * @param withdrawn when it was taken back; null while it holds
 */
@JsonIgnoreProperties(ignoreUnknown = true)
record Advisory(String id, String summary, String withdrawn, List<Affected> affected) {
    /** What is introduced in this version has been there from the first. */
    private static final String FROM_THE_FIRST = "0";

    Advisory {
        summary = Optional.ofNullable(summary).orElse("");
        affected = Optional.ofNullable(affected).orElse(List.of());
    }

    @JsonIgnoreProperties(ignoreUnknown = true)
    record Affected(@JsonProperty("package") Package library, List<Range> ranges, List<String> versions) {
        Affected {
            library = Optional.ofNullable(library).orElse(new Package("", ""));
            ranges = Optional.ofNullable(ranges).orElse(List.of());
            versions = Optional.ofNullable(versions).orElse(List.of());
        }
    }

    /** @param ecosystem may have a release of it behind a colon */
    @JsonIgnoreProperties(ignoreUnknown = true)
    record Package(String ecosystem, String name) {}

    /** @param events each one of introduced, fixed, last_affected or limit, with its version; in any order */
    @JsonIgnoreProperties(ignoreUnknown = true)
    record Range(String type, List<Map<String, String>> events) {
        Range {
            events = Optional.ofNullable(events).orElse(List.of());
        }
    }

    private record Event(String kind, String version) {}

    boolean concerns(ShippedPart part) {
        return withdrawn == null
                && affected.stream()
                        .filter(each -> each.library().ecosystem().split(":")[0].equals(part.ecosystem().key)
                                && each.library().name().equals(part.name()))
                        .anyMatch(each -> each.versions().contains(part.version())
                                || each.ranges().stream().anyMatch(range -> holds(range, part)));
    }

    /** As the format says it is evaluated: the events up to a version decide, one after the other. */
    private static boolean holds(Range range, ShippedPart part) {
        if ("GIT".equals(range.type())) {
            return false; // commits say nothing about a version
        }
        Comparator<String> order = order(part.ecosystem());
        List<Event> events = range.events().stream()
                .flatMap(each -> each.entrySet().stream().map(e -> new Event(e.getKey(), e.getValue())))
                .sorted(Comparator.comparing(Event::version, order))
                .toList();
        boolean isAffected = false;
        for (Event event : events) {
            int passed = order.compare(part.version(), event.version());
            isAffected = switch (event.kind()) {
                case "introduced" -> isAffected || passed >= 0;
                case "last_affected" -> isAffected && passed <= 0;
                default -> isAffected && passed < 0;
            };
        }
        return isAffected;
    }

    private static Comparator<String> order(ShippedPart.Ecosystem ecosystem) {
        Comparator<String> order = switch (ecosystem) {
            case MAVEN -> Comparator.comparing(ComparableVersion::new);
            case NPM -> Comparator.comparing(Semver::new);
        };
        return (a, b) -> a.equals(FROM_THE_FIRST) || b.equals(FROM_THE_FIRST)
                ? Boolean.compare(b.equals(FROM_THE_FIRST), a.equals(FROM_THE_FIRST))
                : order.compare(a, b);
    }
}
