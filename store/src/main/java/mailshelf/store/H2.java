package mailshelf.store;

import java.nio.file.Path;

/** All that is special to H2. */
final class H2 {
    /** Writes all that is committed through to the disk. */
    static final String SYNC = "CHECKPOINT SYNC";

    private H2() {}

    /** Without WRITE_DELAY=0 a killed process loses commits of its last half second. */
    static String fileUrl(Path file) {
        return "jdbc:h2:file:" + file.toAbsolutePath() + ";WRITE_DELAY=0;DB_CLOSE_ON_EXIT=FALSE";
    }
}
