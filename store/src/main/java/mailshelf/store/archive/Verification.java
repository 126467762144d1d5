package mailshelf.store.archive;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.json.CoreJson;
import mailshelf.core.shelf.Chain;
import mailshelf.core.shelf.Manifest;
import mailshelf.core.shelf.SealedReceipts;
import mailshelf.core.shelf.Sha256;

/**
 * Checks an archive's folder with nothing but itself: every byte of every file, every part that a manifest or receipt
 * names, and the chain of each subscription. That no tail is missing can only be proved by checksums from outside.
 *
 * @param found checksums of what was read, to be compared with what is known from elsewhere
 * @param issues how many numbered issues were found
 * @param chains of how many subscriptions
 * @param faults what is wrong, in words; empty if nothing is
 */
public record Verification(Found found, int issues, int chains, List<String> faults) {

    /** What was read: all manifests, those of trials too, and all receipts. */
    public record Found(Set<String> manifests, Set<String> receipts) {}

    /** What was read of one subscription. */
    private static final class OfSubscription {
        private final List<Chain.Link> links = new ArrayList<>();
        private final List<Chain.Link> trials = new ArrayList<>();
        private final List<SealedReceipts.Found> receipts = new ArrayList<>();
    }

    /** @param heads checksums that must occur, taken from mails or from an earlier export */
    public static Verification of(Path folder, Set<String> heads) {
        List<String> faults = new ArrayList<>();
        Map<Long, OfSubscription> read = new TreeMap<>();
        volumes(folder).stream()
                .collect(Collectors.groupingBy(
                        volume -> Volume.issueOf(folder.relativize(volume).toString()),
                        TreeMap::new,
                        Collectors.toList()))
                .forEach((issue, volumes) -> check(folder, issue, volumes, read, faults));
        Set<String> manifests = new HashSet<>();
        Set<String> receipts = new HashSet<>();
        read.forEach((subscription, of) -> {
            String name = "Subscription " + subscription;
            faults.addAll(Chain.faults(name, of.links));
            faults.addAll(SealedReceipts.faults(name, of.links, of.receipts));
            Stream.concat(of.links.stream(), of.trials.stream()).forEach(link -> manifests.add(link.sha256()));
            of.receipts.forEach(each -> receipts.add(each.sha256()));
        });
        faults.addAll(Chain.missingHeads(manifests, heads));
        int issues = read.values().stream().mapToInt(of -> of.links.size()).sum();
        int chains =
                (int) read.values().stream().filter(of -> !of.links.isEmpty()).count();
        return new Verification(new Found(manifests, receipts), issues, chains, List.copyOf(faults));
    }

    private static List<Path> volumes(Path folder) {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(Files::isRegularFile).sorted().toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The files that servers wrote for one issue, read as one. */
    private static void check(
            Path folder, String issue, List<Path> volumes, Map<Long, OfSubscription> all, List<String> faults) {
        IssueParts parts = new IssueParts();
        for (Path volume : volumes) {
            String name = folder.relativize(volume).toString();
            try {
                parts.beginVolume(name);
                TarReader.read(volume, parts::add).forEach(fault -> faults.add(name + ": " + fault));
                parts.faultsOfVolume().forEach(fault -> faults.add(name + ": " + fault));
            } catch (IOException | RuntimeException e) {
                faults.add(name + ": cannot be read (" + e.getMessage() + ")");
            }
        }
        try {
            checkContents(issue, parts, all, faults);
        } catch (RuntimeException e) {
            faults.add(issue + ": cannot be read (" + e.getMessage() + ")");
        }
    }

    private static void checkContents(
            String issue, IssueParts parts, Map<Long, OfSubscription> all, List<String> faults) {
        Optional<byte[]> manifest = parts.manifest();
        if (manifest.isEmpty()) {
            faults.add(issue + ": the manifest is missing");
            return;
        }
        Manifest read = CoreJson.read(manifest.get(), Manifest.class);
        parts.faults(read).forEach(fault -> faults.add(issue + ": " + fault));
        OfSubscription of = all.computeIfAbsent(read.subscription(), id -> new OfSubscription());
        (read.number() > 0 ? of.links : of.trials).add(new Chain.Link(read, Sha256.of(manifest.get())));
        of.receipts.addAll(parts.receipts());
    }
}
