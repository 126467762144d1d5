package mailshelf.server;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * The folder that holds everything: taken by one process at a time, or by several servers of different numbers, from its
 * start until it ends, however it ends.
 */
final class DataFolder {
    /** The lock of who has all of it for himself, its database too. */
    static final String WHOLE = "in-use.lock";

    /** Held on to, as a channel that nobody refers to is closed by the collector, and the lock with it. */
    private static FileChannel taken;

    private DataFolder() {}

    /** The lock of one server among several that share the folder and a database. */
    static String ofServer(int number) {
        return "server-" + number + ".lock";
    }

    /** @param fresh whether what is in it goes first; only from a folder that a server has used before */
    static void take(Path data, String lock, boolean fresh) throws CannotStart {
        try {
            Files.createDirectories(data);
            closeToOthers(data);
        } catch (IOException e) {
            throw new CannotStart("The data folder " + data + " cannot be made: choose another with --data.");
        }
        if (!Files.isWritable(data)) {
            throw new CannotStart("The data folder " + data + " cannot be written to: choose another with --data.");
        }
        try {
            boolean known = Files.exists(data.resolve(lock));
            if (!lock(data.resolve(lock))) {
                throw new CannotStart("The data folder " + data + " is in use by another process"
                        + (lock.equals(WHOLE)
                                ? ": stop that one, or choose another folder with --data."
                                : " of this number: stop that one, or choose another with --server-number."));
            }
            if (fresh) {
                empty(data, lock, known);
            }
        } catch (IOException e) {
            throw new CannotStart("The data folder " + data + " cannot be used (" + e.getMessage()
                    + "): choose another with --data.");
        }
    }

    /** Figures, mails and keys are nobody's but the server's. */
    private static void closeToOthers(Path data) throws IOException {
        if (data.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwx------"));
        }
    }

    private static boolean lock(Path file) throws IOException {
        FileChannel channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        FileLock lock = channel.tryLock();
        if (lock == null) {
            channel.close();
            return false;
        }
        taken = channel;
        return true;
    }

    private static void empty(Path data, String lock, boolean known) throws IOException, CannotStart {
        List<Path> inside;
        try (Stream<Path> files = Files.walk(data)) {
            inside = files.filter(file -> !file.equals(data) && !file.equals(data.resolve(lock)))
                    .sorted(Comparator.reverseOrder())
                    .toList();
        }
        if (!inside.isEmpty() && !known) {
            Files.delete(data.resolve(lock));
            throw new CannotStart("The folder " + data
                    + " holds files that are not Mail Shelf's: it is not emptied. Choose another with --data.");
        }
        for (Path file : inside) {
            Files.delete(file);
        }
    }
}
