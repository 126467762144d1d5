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
import mailshelf.core.shelf.SealedReceipts;
import mailshelf.core.shelf.Sha256;

/** What was found of one issue while its files are read: of all but manifest and receipts only name and checksum. */
final class IssueParts {
    private final Map<String, String> names = new LinkedHashMap<>();
    private final List<SealedReceipts.Found> receipts = new ArrayList<>();
    private String volume = "";
    private final List<String> faults = new ArrayList<>();
    private byte[] manifest;

    void beginVolume(String name) {
        volume = name;
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
        } else if (!Part.isNameOfOurs(name, sha256)) {
            faults.add(name + " is not a name that was written");
        }
        if (Part.isReceipts(name)) {
            receipts.add(new SealedReceipts.Found(volume, CoreJson.read(content, Receipts.class), sha256));
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

    List<SealedReceipts.Found> receipts() {
        return List.copyOf(receipts);
    }

    /** What manifest and receipts name must be there, and nothing else. */
    List<String> faults(Manifest read) {
        List<String> found = new ArrayList<>();
        Map<String, String> named = new LinkedHashMap<>();
        read.parts().forEach(part -> named.put(part.sha256(), Part.nameOf(part.role(), part.sha256())));
        String sealed = Sha256.of(manifest);
        for (SealedReceipts.Found each : receipts) {
            if (!each.receipts().issue().equals(sealed)) {
                found.add("the manifest has been changed: the receipts know it as "
                        + each.receipts().issue());
            }
            each.receipts().receipts().stream()
                    .map(Receipts.Receipt::mail)
                    .filter(mail -> !mail.isEmpty())
                    .forEach(mail -> named.put(mail, Part.nameOf(Part.Kind.MAIL.role(), mail)));
        }
        Set<String> there = new HashSet<>(names.values());
        named.keySet().stream()
                .filter(sha256 -> !there.contains(sha256))
                .forEach(sha256 -> found.add("the part " + sha256 + " is missing"));
        names.forEach((name, sha256) -> {
            boolean isMailUnderWay = receipts.isEmpty() && name.equals(Part.nameOf(Part.Kind.MAIL.role(), sha256));
            if (!named.containsKey(sha256) && !isMailUnderWay) {
                found.add(name + " is named by nothing");
            } else if (named.containsKey(sha256) && !name.equals(named.get(sha256))) {
                found.add(name + " was written as " + named.get(sha256));
            }
        });
        return found;
    }
}
