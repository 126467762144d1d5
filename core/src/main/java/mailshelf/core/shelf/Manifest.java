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
 * @param from the first day that it shows, and {@code to} the last; with times of day where it begins and ends by those
 * @param subscriptionVersion of the terms that it was made by; empty before schema 3, when it stood elsewhere
 * @param content what it shows of which report; before schema 3 that stood in the manifest itself, and is not read any more
 * @param mappings the mapping tables that its row rules were read from
 * @param copies what each copy shows; none in schema 1, which had one copy for all
 * @param receipts those of earlier issues and trials that were closed since the manifest before; before schema 5 there were
 *     none
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
        String from,
        String to,
        Optional<Integer> subscriptionVersion,
        List<Content> content,
        List<Mapping> mappings,
        List<Copy> copies,
        List<Part> parts,
        List<Addressee> recipients,
        List<Closed> receipts,
        Optional<String> previous) {
    public static final int SCHEMA = 5;

    public Manifest {
        content = content == null ? List.of() : List.copyOf(content);
        mappings = mappings == null ? List.of() : List.copyOf(mappings);
        copies = copies == null ? List.of() : List.copyOf(copies);
        receipts = receipts == null ? List.of() : List.copyOf(receipts);
    }

    /**
     * Receipts that the chain holds from now on, and with them the mails that they name.
     *
     * @param issue checksum of the manifest that they belong to
     * @param sha256 of the receipts
     */
    public record Closed(String issue, String sha256) {}

    /**
     * What it shows of a report, and the versions that it was made from.
     *
     * @param pages as they are titled
     * @param blocks ids of the chosen ones; none for whole pages
     * @param period code, and the days or times it meant
     */
    public record Content(
            String report,
            int reportVersion,
            List<String> pages,
            List<String> blocks,
            String period,
            String from,
            String to,
            List<Filter> filters,
            String dataSet,
            int load) {}

    /** A load of a mapping table. */
    public record Mapping(String dataSet, int load) {}

    /**
     * What a copy shows.
     *
     * @param no from 1
     * @param seenAs owner or recipient
     * @param slices what row rules let it show of each data set; before schema 3 they were of the one, and are not read
     *     any more
     * @param outcome made, or no-rows where it was made for nobody to get
     */
    public record Copy(int no, String seenAs, List<Slice> slices, String outcome) {
        public Copy {
            slices = slices == null ? List.of() : List.copyOf(slices);
        }
    }

    /**
     * What a copy shows of a data set.
     *
     * @param allowed the values that row rules let it show; none where all rows were
     * @param masked the personal columns whose values it does not show; before schema 4 there were none
     */
    public record Slice(String dataSet, List<Allowed> allowed, List<String> masked) {
        public Slice {
            masked = masked == null ? List.of() : List.copyOf(masked);
        }
    }

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
