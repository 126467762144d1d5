package mailshelf.core.shelf;

import java.time.Instant;
import java.util.List;

/**
 * What became of an issue's deliveries, sealed when its run closes.
 *
 * @param issue checksum of the manifest that it belongs to
 */
public record Receipts(
        int schema, String issue, int number, int revision, String outcome, Instant closed, List<Receipt> receipts) {
    public static final int SCHEMA = 1;

    /**
     * One recipient's delivery.
     *
     * @param mail checksum of the mail's kept pieces; "" where none was put together
     */
    public record Receipt(String address, String messageId, String state, String mail, List<Try> tries) {}

    /** One try and its answer. */
    public record Try(int number, Instant at, String answer, String reply) {}
}
