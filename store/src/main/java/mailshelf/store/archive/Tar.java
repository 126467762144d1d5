package mailshelf.store.archive;

import java.util.Arrays;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;

/** The tar format as the archive uses it: POSIX ustar headers, one block size, fixed owner and mode. */
final class Tar {
    static final int BLOCK = 512;
    /** Two empty blocks end an archive. */
    static final byte[] TRAILER = new byte[2 * BLOCK];

    private Tar() {}

    static long padded(long size) {
        return (size + BLOCK - 1) / BLOCK * BLOCK;
    }

    static byte[] header(String name, long size, long modifiedSeconds) {
        TarArchiveEntry entry = new TarArchiveEntry(name);
        entry.setSize(size);
        entry.setModTime(modifiedSeconds * 1000);
        entry.setMode(0644);
        byte[] header = new byte[BLOCK];
        entry.writeEntryHeader(header);
        return header;
    }

    /** Whether a block is one that {@link #header} wrote: every byte of it counts. */
    static boolean isOurs(byte[] header, TarArchiveEntry entry) {
        long seconds = entry.getLastModifiedTime().toMillis() / 1000;
        return Arrays.equals(header, header(entry.getName(), entry.getSize(), seconds));
    }
}
