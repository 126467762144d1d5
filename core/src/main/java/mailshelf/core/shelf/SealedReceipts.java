package mailshelf.core.shelf;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/** Checks the receipts of one subscription's issues: those that manifests name are there, and no others of their time. */
public final class SealedReceipts {
    /** The first manifests name no receipts. */
    private static final int SINCE_SCHEMA = 5;

    /** Receipts may be closed while a manifest is being made, and are named by the one after it then. */
    private static final Duration MEANWHILE = Duration.ofHours(1);

    private SealedReceipts() {}

    /** Receipts as found, with the checksum of their bytes and where they lie. */
    public record Found(String place, Receipts receipts, String sha256) {}

    /**
     * What is wrong, in words an auditor can act on; empty if nothing is.
     *
     * @param links the manifests of the subscription, in any order
     */
    public static List<String> faults(String chain, List<Chain.Link> links, List<Found> found) {
        List<String> faults = new ArrayList<>();
        Map<String, Integer> named = new HashMap<>();
        links.forEach(link -> link.manifest()
                .receipts()
                .forEach(closed -> named.put(closed.sha256(), link.manifest().number())));
        Set<String> there = new HashSet<>();
        found.forEach(each -> there.add(each.sha256()));
        named.forEach((sha256, number) -> {
            if (!there.contains(sha256)) {
                faults.add(chain + ": the receipts " + sha256 + ", which No. " + number
                        + " names, are missing or have been changed");
            }
        });
        List<Instant> made = links.stream()
                .filter(link -> link.manifest().schema() >= SINCE_SCHEMA)
                .map(link -> link.manifest().made())
                .filter(Objects::nonNull) // as in one that was changed, which is found elsewhere
                .sorted()
                .toList();
        for (Found each : found) {
            Instant closed = each.receipts().closed();
            boolean hadToBeNamed = closed != null
                    && !made.isEmpty()
                    && closed.isAfter(made.get(0))
                    && closed.plus(MEANWHILE).isBefore(made.get(made.size() - 1));
            if (hadToBeNamed && !named.containsKey(each.sha256())) {
                faults.add(each.place() + ": the receipts " + each.sha256() + " are named by no manifest after them");
            }
        }
        return faults;
    }
}
