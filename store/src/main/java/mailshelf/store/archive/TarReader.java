package mailshelf.store.archive;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;

/** Reads a volume so strictly that no byte of it can be changed unnoticed. */
final class TarReader {
    private final byte[] file;
    private final Map<String, byte[]> parts = new LinkedHashMap<>();
    private final List<String> faults = new ArrayList<>();

    TarReader(Path path) throws IOException {
        file = Files.readAllBytes(path);
        read();
    }

    /** Contents by name. */
    Map<String, byte[]> parts() {
        return parts;
    }

    List<String> faults() {
        return faults;
    }

    private void read() {
        int at = 0;
        while (at + Tar.BLOCK <= file.length && !isZero(at, at + Tar.BLOCK)) {
            byte[] header = Arrays.copyOfRange(file, at, at + Tar.BLOCK);
            at += Tar.BLOCK;
            TarArchiveEntry entry = entry(header);
            if (entry == null || at + Tar.padded(entry.getSize()) > file.length) {
                faults.add("the header at byte " + (at - Tar.BLOCK) + " is not one that was written");
                return;
            }
            int end = at + (int) entry.getSize();
            int next = at + (int) Tar.padded(entry.getSize());
            if (parts.put(entry.getName(), Arrays.copyOfRange(file, at, end)) != null) {
                faults.add(entry.getName() + " stands in it twice");
            }
            if (!isZero(end, next)) {
                faults.add("the space behind " + entry.getName() + " is not empty");
            }
            at = next;
        }
        if (file.length - at != Tar.TRAILER.length || !isZero(at, file.length)) {
            faults.add("it does not end as it should");
        }
    }

    private static TarArchiveEntry entry(byte[] header) {
        try {
            TarArchiveEntry entry = new TarArchiveEntry(header);
            return entry.getSize() >= 0 && Tar.isOurs(header, entry) ? entry : null;
        } catch (RuntimeException e) {
            return null;
        }
    }

    private boolean isZero(int from, int to) {
        for (int i = from; i < to; i++) {
            if (file[i] != 0) {
                return false;
            }
        }
        return true;
    }
}
