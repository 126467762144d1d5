package mailshelf.store.source;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * The address of a database for JDBC. Only what is known to be harmless may stand in it: settings of drivers can name
 * files to write, classes to load and commands to run.
 */
public final class DatabaseAddress {
    private static final Pattern POSTGRESQL = Pattern.compile("jdbc:postgresql://[\\w.:\\[\\]-]+/[\\w.%-]+(\\?(.*))?");
    private static final Pattern H2_SERVER = Pattern.compile("jdbc:h2:(tcp|ssl)://[\\w.:\\[\\]-]+/[^;]+");

    /** A file that would be opened in this process, and with it whatever its owner had put into it: aliases and triggers. */
    private static final Pattern H2_FILE = Pattern.compile("jdbc:h2:(?!tcp:|ssl:).*");

    private static final Set<String> SETTINGS = Set.of("sslmode", "sslrootcert", "currentschema");

    /**
     * A table of one row and column that says whether the user, or any role that the user is a member of, may do more than
     * read what is granted: everything, reading and writing the machine's files, running programs, making such roles.
     */
    private static final String POSTGRESQL_MIGHT = """
            SELECT EXISTS (
                SELECT 1 FROM pg_roles
                 WHERE pg_has_role(session_user, oid, 'MEMBER')
                   AND (rolsuper OR rolcreaterole OR rolreplication
                        OR rolname IN ('pg_read_server_files', 'pg_write_server_files', 'pg_execute_server_program')))""";

    private static final String H2_MIGHT =
            "SELECT is_admin FROM information_schema.users WHERE user_name = CURRENT_USER";

    static final String SERVER_EXAMPLE = "jdbc:h2:tcp://host/path";

    private final String url;

    private DatabaseAddress(String url) {
        this.url = url;
    }

    /** Empty for an address that may not be used. */
    static Optional<DatabaseAddress> of(String url) {
        Matcher postgresql = POSTGRESQL.matcher(url);
        if (postgresql.matches()) {
            return hasOnlyKnown(postgresql.group(2)) ? Optional.of(new DatabaseAddress(url)) : Optional.empty();
        }
        return H2_SERVER.matcher(url).matches() ? Optional.of(new DatabaseAddress(url)) : Optional.empty();
    }

    /** Whether it names a file that this process would have to open. */
    static boolean isFile(String url) {
        return H2_FILE.matcher(url).matches();
    }

    private static boolean hasOnlyKnown(String settings) {
        return settings == null
                || Stream.of(settings.split("&"))
                        .map(each -> each.replaceFirst("=.*", "").toLowerCase(Locale.ROOT))
                        .allMatch(SETTINGS::contains);
    }

    private boolean isPostgresql() {
        return url.startsWith("jdbc:postgresql:");
    }

    /** With what keeps a database from being made where there is none. */
    String url() {
        return isPostgresql() ? url : url + ";IFEXISTS=TRUE";
    }

    Properties settings(String user, String password, int seconds) {
        Properties settings = new Properties();
        settings.setProperty("user", user);
        settings.setProperty("password", password);
        if (isPostgresql()) {
            settings.setProperty("ApplicationName", "Mail Shelf");
            settings.setProperty("loginTimeout", "10");
            settings.setProperty("connectTimeout", "10");
            // a server that falls silent is noticed even so
            settings.setProperty("socketTimeout", String.valueOf(seconds + 10));
            settings.setProperty("readOnly", "true");
            settings.setProperty("readOnlyMode", "always");
        }
        return settings;
    }

    /** A query that says whether somebody may read the files of the database's machine, and more. */
    String mightQuery() {
        return isPostgresql() ? POSTGRESQL_MIGHT : H2_MIGHT;
    }

    /** As they may be written. */
    public static List<String> examples() {
        return List.of("jdbc:postgresql://host:5432/database", SERVER_EXAMPLE);
    }
}
