package mailshelf.store.archive;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import mailshelf.store.StoreException;

/**
 * The archive's folder: one tar file an issue and writing server. A file is only ever appended to behind the last entry
 * that the database names; what lies behind that after a crash is cut off. Parts are on the disk before this returns,
 * so that a transaction that names them names nothing that can be lost.
 */
public final class Archive {
    private final Path folder;

    public Archive(Path dataFolder) {
        this.folder = dataFolder.resolve("shelf");
    }

    public Path folder() {
        return folder;
    }

    /**
     * Throws away what earlier attempts at a run's issue, by whichever server, left behind. Only for who holds the
     * run's lease while no table names anything of it.
     */
    public void discardAttempts(Volume next) {
        Path inside = folder.resolve(next.folder());
        if (!Files.isDirectory(inside)) {
            return;
        }
        try (Stream<Path> files = Files.list(inside)) {
            for (Path file : files.toList()) {
                if (next.isOfSameRun(file.getFileName().toString())) {
                    Files.delete(file);
                }
            }
        } catch (IOException e) {
            throw new StoreException("The archive could not be written", e);
        }
    }

    /**
     * Appends parts and writes them through to the disk.
     *
     * @param end where the last entry that the database names in this volume ends, 0 where there is none
     * @return an entry a part, in the same order
     */
    public List<Entry> append(String volume, long end, List<Part> parts, Instant at) {
        Path file = folder.resolve(volume);
        try {
            boolean fresh = Files.notExists(file);
            Files.createDirectories(file.getParent());
            List<Entry> entries = new ArrayList<>();
            try (FileChannel channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE)) {
                if (channel.size() < end) {
                    throw new IOException(volume + " is shorter than the entries that it should hold");
                }
                channel.truncate(end);
                channel.position(end);
                try {
                    for (Part part : parts) {
                        entries.add(write(channel, volume, part, at));
                    }
                    write(channel, ByteBuffer.wrap(Tar.TRAILER));
                    channel.force(true);
                } catch (IOException e) {
                    // on a full disk, half a part would take the last room from the database
                    channel.truncate(end);
                    throw e;
                }
            }
            if (fresh) {
                syncFolder(file.getParent());
            }
            return entries;
        } catch (IOException e) {
            throw new StoreException("The archive could not be written", e);
        }
    }

    /** The bytes of a part. */
    public byte[] read(Entry entry) {
        try (FileChannel channel = FileChannel.open(folder.resolve(entry.volume()), StandardOpenOption.READ)) {
            ByteBuffer buffer = ByteBuffer.allocate((int) entry.sizeBytes());
            channel.position(entry.startAt());
            while (buffer.hasRemaining()) {
                if (channel.read(buffer) < 0) {
                    throw new IOException(entry.volume() + " ends before its entry does");
                }
            }
            return buffer.array();
        } catch (IOException e) {
            throw new StoreException("The archive could not be read", e);
        }
    }

    private static Entry write(FileChannel channel, String volume, Part part, Instant at) throws IOException {
        int size = part.content().length;
        long startAt = channel.position() + Tar.BLOCK;
        write(
                channel,
                ByteBuffer.wrap(Tar.header(part.name(), size, at.getEpochSecond())),
                ByteBuffer.wrap(part.content()),
                ByteBuffer.allocate((int) (Tar.padded(size) - size)));
        return new Entry(part.sha256(), volume, startAt, size);
    }

    private static void write(FileChannel channel, ByteBuffer... pieces) throws IOException {
        while (Stream.of(pieces).anyMatch(ByteBuffer::hasRemaining)) {
            channel.write(pieces);
        }
    }

    /** A new file's name lies in its folder, which must be on the disk too. */
    private static void syncFolder(Path folder) throws IOException {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        }
    }
}
