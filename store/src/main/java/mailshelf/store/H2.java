package mailshelf.store;

import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.h2.api.ErrorCode;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStore;
import org.h2.tools.Server;

/** All that is special to H2. */
final class H2 {
    /** What the pool throws when no connection can be had. */
    private static final int NOT_CONNECTED = 0;

    /** Writes all that is committed through to the disk. */
    static final String SYNC = "CHECKPOINT SYNC";

    /** IO_EXCEPTION, FILE_CORRUPTED, DATABASE_IS_CLOSED, CONNECTION_BROKEN, NO_DISK_SPACE_AVAILABLE and their kin. */
    private static final Set<Integer> OF_DISK = Set.of(
            ErrorCode.IO_EXCEPTION_1,
            ErrorCode.IO_EXCEPTION_2,
            ErrorCode.FILE_CORRUPTED_1,
            ErrorCode.DATABASE_IS_CLOSED,
            ErrorCode.DATABASE_CALLED_AT_SHUTDOWN,
            ErrorCode.CONNECTION_BROKEN_1,
            ErrorCode.GENERAL_ERROR_1,
            ErrorCode.DATABASE_IS_READ_ONLY,
            ErrorCode.OBJECT_CLOSED,
            NOT_CONNECTED);

    private static final int HEADER_BYTES = 4096;

    /**
     * What newer commits have replaced stays in the file for so long: until they are on the disk for certain, of which
     * the servers' beats take care. H2's own 45 s made a file of hundreds of megabytes in a run.
     */
    private static final Duration KEPT = Duration.ofSeconds(10);

    private static final int WELL_FILLED_PERCENT = 60;
    private static final int COMPACTED_BYTES = 1_000_000;

    /** What only this machine can reach. */
    static final String LOCAL = "localhost";

    /** The one user, with all rights, that H2 makes with the file. */
    static final String USER = "";

    private static final String NAME = "mailshelf";

    private H2() {}

    static boolean isOfDisk(int errorCode) {
        return OF_DISK.contains(errorCode);
    }

    /**
     * Leads a file that was not closed in good order back to its newest commit. H2 alone may miss it: when a chunk does
     * not lie where the one before it predicted, the file's header is written with the one before it, and at the next
     * opening everything since then is taken for free space. Recovery mode looks through the whole file instead.
     */
    static void recover(Path file) throws IOException {
        Path whole = file.resolveSibling(file.getFileName() + ".mv.db");
        if (Files.exists(whole) && Files.size(whole) > 0 && !isClosedWell(whole)) {
            new MVStore.Builder()
                    .fileName(whole.toString())
                    .recoveryMode()
                    .open()
                    .close();
        }
    }

    /** Whether the header, in the first block of the file, carries the mark of a good end. */
    private static boolean isClosedWell(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return new String(in.readNBytes(HEADER_BYTES), StandardCharsets.ISO_8859_1).contains(",clean:1,");
        }
    }

    /** The open file of a connection that this process has to it, not by way of a server. */
    static MVStore file(Connection connection) throws SQLException {
        SessionLocal session =
                (SessionLocal) connection.unwrap(JdbcConnection.class).getSession();
        return session.getDatabase().getStore().getMvStore();
    }

    /**
     * Writes what is live in some mostly dead chunks anew, so that their room can be used; commits wait meanwhile.
     *
     * @return whether there may be more of them
     */
    static boolean compact(MVStore file) {
        return file.compact(WELL_FILLED_PERCENT, COMPACTED_BYTES);
    }

    /** Whether a lock was not had in the time that H2 waits for one. */
    static boolean isPatienceOver(SQLException e) {
        return e.getErrorCode() == ErrorCode.LOCK_TIMEOUT_1;
    }

    /** The lock of another process that has it open is one of the file system's, and so is gone with that process. */
    static boolean isIn(Path folder) {
        Path file = folder.resolve(NAME + ".mv.db");
        if (Files.notExists(file)) {
            return false;
        }
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ, StandardOpenOption.WRITE);
                FileLock lock = channel.tryLock()) {
            return lock != null;
        } catch (IOException e) {
            return false;
        }
    }

    static Path file(Path folder) {
        return folder.resolve(NAME);
    }

    /**
     * Without WRITE_DELAY=0 a killed process loses commits of its last half second; how long what is out of date stays
     * is {@link #KEPT}.
     */
    static String fileUrl(Path folder) {
        return "jdbc:h2:file:" + file(folder).toAbsolutePath() + ";WRITE_DELAY=0;DB_CLOSE_ON_EXIT=FALSE;RETENTION_TIME="
                + KEPT.toMillis();
    }

    /** @param address host and port of {@link #serve} */
    static String serverUrl(String address) {
        return "jdbc:h2:tcp://" + address + "/./" + NAME;
    }

    /** Opens the file with the key, giving it the key where it has none yet. */
    static void lock(Path folder, String key) throws SQLException {
        try {
            DriverManager.getConnection(fileUrl(folder), USER, key).close();
            return; // has it already
        } catch (SQLException e) {
            if (e.getErrorCode() != ErrorCode.WRONG_USER_OR_PASSWORD) {
                throw e;
            }
        }
        try (Connection open = DriverManager.getConnection(fileUrl(folder), USER, "");
                Statement statement = open.createStatement()) {
            statement.execute("SET PASSWORD '" + key + "'"); // hexadecimal digits of ours
        }
    }

    /** Has other processes connect to the databases in a folder; from this machine alone unless another address is given. */
    static Server serve(Path folder, String address, int port) throws SQLException {
        List<String> options = new ArrayList<>(List.of(
                "-tcpPort",
                String.valueOf(port),
                "-baseDir",
                folder.toAbsolutePath().toString()));
        if (!address.equals(LOCAL)) {
            options.add("-tcpAllowOthers");
        }
        return Server.createTcpServer(options.toArray(String[]::new)).start();
    }
}
