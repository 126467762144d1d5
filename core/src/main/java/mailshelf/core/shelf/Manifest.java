package mailshelf.core.shelf;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.Filter;

/**
 * What an issue consists of, sealed before the first mail leaves. Its checksum, over canonical JSON (RFC 8785), stands
 * in the next issue's manifest: the chain.
 *
 * @param schema number of this shape
 * @param outcome made, skipped, failed or missed
 * @param reason why it was not made; "" otherwise
 * @param due when it was asked for
 * @param period code, and the days it meant
 * @param copies what each copy shows; none in schema 1, which had one copy for all
 * @param previous checksum of the manifest before it in the chain; empty for the first
 */
public record Manifest(
        int schema,
        long subscription,
        String name,
        int number,
        int revision,
        String outcome,
        String reason,
        Instant due,
        Instant made,
        String period,
        String from,
        String to,
        List<Filter> filters,
        Sources sources,
        List<Copy> copies,
        List<Part> parts,
        List<Addressee> recipients,
        Optional<String> previous) {
    public static final int SCHEMA = 2;

    public Manifest {
        copies = copies == null ? List.of() : List.copyOf(copies);
    }

    /**
     * Versions of all that it was made from; the report's text by checksum.
     *
     * @param mappings the mapping tables that its row rules were read from
     */
    public record Sources(
            String dataSet,
            int load,
            String report,
            int reportVersion,
            int subscriptionVersion,
            List<Mapping> mappings) {
        public Sources {
            mappings = mappings == null ? List.of() : List.copyOf(mappings);
        }
    }

    /** A load of a mapping table. */
    public record Mapping(String dataSet, int load) {}

    /**
     * What a copy shows.
     *
     * @param no from 1
     * @param seenAs owner or recipient
     * @param allowed the values that row rules let it show; none where all rows were
     * @param outcome made, or no-rows where it was made for nobody to get
     */
    public record Copy(int no, String seenAs, List<Allowed> allowed, String outcome) {}

    /**
     * One part in the archive.
     *
     * @param copy the number of its copy; empty in schema 1
     * @param role figures, pdf, picture, letter
     * @param name file name for people
     */
    public record Part(Optional<Integer> copy, String role, String name, String sha256, long sizeBytes) {}

    /**
     * One on the list, and whether he is sent a copy or why not.
     *
     * @param copy the number of his copy; empty without one, and in schema 1
     */
    public record Addressee(String name, String address, String inclusion, Optional<Integer> copy) {}
}
