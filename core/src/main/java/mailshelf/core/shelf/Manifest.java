package mailshelf.core.shelf;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
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
        List<Part> parts,
        List<Addressee> recipients,
        Optional<String> previous) {
    public static final int SCHEMA = 1;

    /** Versions of all that it was made from; the report's text by checksum. */
    public record Sources(String dataSet, int load, String report, int reportVersion, int subscriptionVersion) {}

    /**
     * One part in the archive.
     *
     * @param role figures, pdf, picture, letter
     * @param name file name for people
     */
    public record Part(String role, String name, String sha256, long sizeBytes) {}

    /** One on the list, and whether he is sent a copy or why not. */
    public record Addressee(String name, String address, String inclusion) {}
}
