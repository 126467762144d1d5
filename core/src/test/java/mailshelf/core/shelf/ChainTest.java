package mailshelf.core.shelf;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mailshelf.core.json.CoreJson;
import org.junit.jupiter.api.Test;

class ChainTest {
    private final List<Chain.Link> chain = chainOf(4);

    @Test
    void a_whole_chain_has_no_fault() {
        assertThat(Chain.faults("12", chain)).isEmpty();
    }

    @Test
    void an_issue_dropped_in_the_middle_is_found() {
        chain.remove(1);

        assertThat(Chain.faults("12", chain)).anyMatch(fault -> fault.contains("No. 2 is missing"));
    }

    @Test
    void an_issue_changed_breaks_the_link_of_the_one_after_it() {
        Manifest changed = manifest(2, "failed", chain.get(1).manifest().previous());
        chain.set(1, link(changed));

        assertThat(Chain.faults("12", chain)).singleElement().asString().contains("No. 3");
    }

    @Test
    void an_issue_cut_off_at_the_end_is_found_only_by_a_checksum_known_from_outside() {
        String head = chain.remove(3).sha256();

        assertThat(Chain.faults("12", chain)).isEmpty();
        assertThat(Chain.missingHeads(chain.stream().map(Chain.Link::sha256).collect(Collectors.toSet()), Set.of(head)))
                .singleElement()
                .asString()
                .contains(head);
    }

    private static List<Chain.Link> chainOf(int count) {
        List<Chain.Link> links = new ArrayList<>();
        Optional<String> previous = Optional.empty();
        for (int number = 1; number <= count; number++) {
            Chain.Link link = link(manifest(number, "made", previous));
            links.add(link);
            previous = Optional.of(link.sha256());
        }
        return links;
    }

    private static Chain.Link link(Manifest manifest) {
        return new Chain.Link(manifest, Sha256.of(CoreJson.canonical(manifest)));
    }

    private static Manifest manifest(int number, String outcome, Optional<String> previous) {
        Instant at = Instant.parse("2026-11-23T06:00:00Z");
        return new Manifest(
                1,
                12,
                "Cancelled",
                number,
                1,
                outcome,
                "",
                at,
                at,
                "2026-11-16",
                "2026-11-22",
                Optional.of(1),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                previous);
    }
}
