package mailshelf.store.archive;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.json.CoreJson;
import mailshelf.core.shelf.Manifest;
import mailshelf.core.shelf.Receipts;
import mailshelf.core.shelf.Sha256;

/** What was found of one issue while its files are read: of all but manifest and receipts only name and checksum. */
final class IssueParts {
    private final Map<String, String> names = new LinkedHashMap<>();
    private final List<Receipts> receipts = new ArrayList<>();
    private final List<String> faults = new ArrayList<>();
    private byte[] manifest;

    void beginVolume() {
        faults.clear();
    }

    void add(String name, byte[] content) {
        String sha256 = Sha256.of(content);
        if (name.equals(Part.MANIFEST)) {
            if (manifest != null) {
                faults.add("holds a second manifest of the same issue");
            }
            manifest = content;
            return;
        }
        if (!name.contains("/" + sha256 + ".")) {
            faults.add(name + " has been changed: its checksum is " + sha256);
        }
        if (Part.isReceipts(name)) {
            receipts.add(CoreJson.read(content, Receipts.class));
        } else {
            names.put(name, sha256);
        }
    }

    List<String> faultsOfVolume() {
        return List.copyOf(faults);
    }

    Optional<byte[]> manifest() {
        return Optional.ofNullable(manifest);
    }

    /** What manifest and receipts name must be there, and nothing else. */
    List<String> faults(Manifest read) {
        List<String> found = new ArrayList<>();
        Set<String> named = new HashSet<>();
        read.parts().forEach(part -> named.add(part.sha256()));
        String sealed = Sha256.of(manifest);
        for (Receipts each : receipts) {
            if (!each.issue().equals(sealed)) {
                found.add("the manifest has been changed: the receipts know it as " + each.issue());
            }
            each.receipts().stream()
                    .map(Receipts.Receipt::mail)
                    .filter(mail -> !mail.isEmpty())
                    .forEach(named::add);
        }
        Set<String> there = new HashSet<>(names.values());
        named.stream()
                .filter(sha256 -> !there.contains(sha256))
                .forEach(sha256 -> found.add("the part " + sha256 + " is missing"));
        if (!receipts.isEmpty()) {
            names.forEach((name, sha256) -> {
                if (!named.contains(sha256)) {
                    found.add(name + " is named by nothing");
                }
            });
        }
        return found;
    }
}
