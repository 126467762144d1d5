package mailshelf.core.shelf;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Checks the chain of one subscription's issues: every manifest names the checksum of the one before it. */
public final class Chain {
    private Chain() {}

    /** A manifest as found, with the checksum of its bytes. */
    public record Link(Manifest manifest, String sha256) {}

    /**
     * What is wrong with a chain, in words an auditor can act on; empty if nothing is.
     *
     * @param links in any order
     */
    public static List<String> faults(String chain, List<Link> links) {
        List<Link> ordered = new ArrayList<>(links);
        ordered.sort(Comparator.comparingInt((Link link) -> link.manifest().number())
                .thenComparingInt(link -> link.manifest().revision()));
        List<String> faults = new ArrayList<>();
        Optional<String> before = Optional.empty();
        int expected = 1;
        for (Link link : ordered) {
            Manifest manifest = link.manifest();
            String name = chain + ", No. " + manifest.number() + ", revision " + manifest.revision();
            if (manifest.number() > expected) {
                faults.add(chain + ": No. " + expected
                        + (manifest.number() - expected > 1
                                ? " to " + (manifest.number() - 1) + " are missing"
                                : " is missing"));
            }
            if (!manifest.previous().equals(before)) {
                faults.add(name + ": names " + manifest.previous().orElse("nothing")
                        + " as the one before it, but that is " + before.orElse("nothing"));
            }
            before = Optional.of(link.sha256());
            expected = manifest.number() + 1;
        }
        return faults;
    }

    /**
     * Those heads that no manifest of the archive has: its tail was cut off, or it is another archive.
     *
     * @param found checksums of all manifests, also of trials, whose mails carry theirs
     */
    public static List<String> missingHeads(Set<String> found, Set<String> heads) {
        return heads.stream()
                .filter(head -> !found.contains(head))
                .sorted()
                .map(head -> "No issue has the checksum " + head + ", which is known from outside: issues are missing")
                .toList();
    }
}
