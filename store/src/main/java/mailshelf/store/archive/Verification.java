package mailshelf.store.archive;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
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
import mailshelf.core.shelf.Sha256;

/**
 * Checks an archive's folder with nothing but itself: every byte of every file, every part that a manifest or receipt
 * names, and the chain of each subscription. That no tail is missing can only be proved by checksums from outside.
 *
 * @param issues how many numbered issues were found
 * @param chains of how many subscriptions
 * @param faults what is wrong, in words; empty if nothing is
 */
public record Verification(int issues, int chains, List<String> faults) {

    /** @param heads checksums that must occur, taken from mails or from an earlier export */
    public static Verification of(Path folder, Set<String> heads) {
        List<String> faults = new ArrayList<>();
        Map<String, List<Chain.Link>> chains = new TreeMap<>();
        volumes(folder).stream()
                .collect(Collectors.groupingBy(
                        volume -> Volume.issueOf(folder.relativize(volume).toString()),
                        TreeMap::new,
                        Collectors.toList()))
                .forEach((issue, volumes) -> check(folder, issue, volumes, chains, faults));
        List<Chain.Link> all = new ArrayList<>();
        chains.forEach((subscription, links) -> {
            faults.addAll(Chain.faults("Subscription " + subscription, links));
            all.addAll(links);
        });
        faults.addAll(Chain.missingHeads(all, heads));
        return new Verification(all.size(), chains.size(), List.copyOf(faults));
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
            Path folder, String issue, List<Path> volumes, Map<String, List<Chain.Link>> chains, List<String> faults) {
        IssueParts parts = new IssueParts();
        for (Path volume : volumes) {
            String name = folder.relativize(volume).toString();
            try {
                parts.beginVolume();
                TarReader.read(volume, parts::add).forEach(fault -> faults.add(name + ": " + fault));
                parts.faultsOfVolume().forEach(fault -> faults.add(name + ": " + fault));
            } catch (IOException | RuntimeException e) {
                faults.add(name + ": cannot be read (" + e.getMessage() + ")");
            }
        }
        try {
            checkContents(issue, parts, chains, faults);
        } catch (RuntimeException e) {
            faults.add(issue + ": cannot be read (" + e.getMessage() + ")");
        }
    }

    private static void checkContents(
            String issue, IssueParts parts, Map<String, List<Chain.Link>> chains, List<String> faults) {
        Optional<byte[]> manifest = parts.manifest();
        if (manifest.isEmpty()) {
            faults.add(issue + ": the manifest is missing");
            return;
        }
        Manifest read = CoreJson.read(manifest.get(), Manifest.class);
        parts.faults(read).forEach(fault -> faults.add(issue + ": " + fault));
        if (read.number() > 0) {
            chains.computeIfAbsent(Long.toString(read.subscription()), s -> new ArrayList<>())
                    .add(new Chain.Link(read, Sha256.of(manifest.get())));
        }
    }
}
