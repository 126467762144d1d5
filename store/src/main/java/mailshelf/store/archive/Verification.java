package mailshelf.store.archive;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.json.CoreJson;
import mailshelf.core.shelf.Chain;
import mailshelf.core.shelf.Manifest;
import mailshelf.core.shelf.Receipts;
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
        Map<String, byte[]> parts = new LinkedHashMap<>();
        for (Path volume : volumes) {
            String name = folder.relativize(volume).toString();
            try {
                TarReader tar = new TarReader(volume);
                tar.faults().forEach(fault -> faults.add(name + ": " + fault));
                namesAreChecksums(tar.parts()).forEach(fault -> faults.add(name + ": " + fault));
                if (tar.parts().containsKey(Part.MANIFEST) && parts.containsKey(Part.MANIFEST)) {
                    faults.add(name + ": holds a second manifest of the same issue");
                }
                parts.putAll(tar.parts());
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
            String issue, Map<String, byte[]> parts, Map<String, List<Chain.Link>> chains, List<String> faults) {
        byte[] manifest = parts.get(Part.MANIFEST);
        if (manifest == null) {
            faults.add(issue + ": the manifest is missing");
            return;
        }
        Manifest read = CoreJson.read(manifest, Manifest.class);
        contents(read, manifest, parts).forEach(fault -> faults.add(issue + ": " + fault));
        if (read.number() > 0) {
            chains.computeIfAbsent(Long.toString(read.subscription()), s -> new ArrayList<>())
                    .add(new Chain.Link(read, Sha256.of(manifest)));
        }
    }

    private static List<String> namesAreChecksums(Map<String, byte[]> parts) {
        List<String> faults = new ArrayList<>();
        parts.forEach((name, content) -> {
            if (!name.equals(Part.MANIFEST) && !name.contains("/" + Sha256.of(content) + ".")) {
                faults.add(name + " has been changed: its checksum is " + Sha256.of(content));
            }
        });
        return faults;
    }

    /** What manifest and receipts name must be there, and nothing else. */
    private static List<String> contents(Manifest manifest, byte[] manifestBytes, Map<String, byte[]> parts) {
        List<String> faults = new ArrayList<>();
        Set<String> named = new HashSet<>();
        manifest.parts().forEach(part -> named.add(part.sha256()));
        List<Receipts> all = parts.entrySet().stream()
                .filter(part -> Part.isReceipts(part.getKey()))
                .map(part -> CoreJson.read(part.getValue(), Receipts.class))
                .toList();
        for (Receipts receipts : all) {
            if (!receipts.issue().equals(Sha256.of(manifestBytes))) {
                faults.add("the manifest has been changed: the receipts know it as " + receipts.issue());
            }
            receipts.receipts().stream()
                    .map(Receipts.Receipt::mail)
                    .filter(mail -> !mail.isEmpty())
                    .forEach(named::add);
        }
        for (String sha256 : named) {
            if (parts.keySet().stream().noneMatch(name -> name.contains("/" + sha256 + "."))) {
                faults.add("the part " + sha256 + " is missing");
            }
        }
        if (!all.isEmpty()) {
            parts.keySet().stream()
                    .filter(name -> name.contains("/") && !Part.isReceipts(name))
                    .filter(name -> named.stream().noneMatch(sha256 -> name.contains("/" + sha256 + ".")))
                    .forEach(name -> faults.add(name + " is named by nothing"));
        }
        return faults;
    }
}
