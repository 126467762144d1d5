package mailshelf.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A house of before there were row rules and a record of loads keeps what it had, and the new columns tell it. */
class MigrationTest {
    private static final String BEFORE = "6";
    private static final String HOUSE = """
            INSERT INTO person (id, name, address, zone, locale, week_start, administrator, active)
                VALUES (1, 'Sunniva Rein', 'sunniva.rein@brinewater.example', 'Europe/Oslo', 'en', 'MONDAY', TRUE, TRUE);
            INSERT INTO folder (id, name) VALUES (1, 'Traffic');
            INSERT INTO data_set (id, name, columns, date_column, folder) VALUES (1, 'sailings', '[]', 'date', 1);
            INSERT INTO load (id, data_set, no, sha256, row_count, figures_to, loaded_at)
                VALUES (1, 1, 1, 'aa', 45110, DATE '2026-11-24', TIMESTAMP WITH TIME ZONE '2026-11-25 04:40:00+00:00');
            INSERT INTO report (id, folder, owner, title, version) VALUES (1, 1, 1, 'Cancelled sailings', 1);
            INSERT INTO subscription (id, owner, report, state, paused_because, version, next_number, created_at)
                VALUES (1, 1, 1, 'ACTIVE', '', 1, 2, TIMESTAMP WITH TIME ZONE '2026-11-01 04:40:00+00:00');
            INSERT INTO subscription_version (subscription, no, terms, by_person, at)
                VALUES (1, 1, '{}', 1, TIMESTAMP WITH TIME ZONE '2026-11-01 04:40:00+00:00');
            INSERT INTO run (id, subscription, trigger_kind, trigger_key, due_at, subscription_version, report_version,
                             load, state, outcome, reason, attempt, booked_at)
                VALUES (1, 1, 'SCHEDULE', 'x', TIMESTAMP WITH TIME ZONE '2026-11-23 06:00:00+00:00', 1, 1, 1, 'CLOSED',
                        'SENT', '', 0, TIMESTAMP WITH TIME ZONE '2026-11-23 06:00:00+00:00');
            INSERT INTO issue (id, run, subscription, number, revision, outcome, reason, name, headline, period,
                               from_day, to_day, due_at, made_at, manifest_sha)
                VALUES (1, 1, 1, 1, 1, 'MADE', '', 'Cancelled', 'Cancelled 33', 'last-week', DATE '2026-11-16',
                        DATE '2026-11-22', TIMESTAMP WITH TIME ZONE '2026-11-23 06:00:00+00:00',
                        TIMESTAMP WITH TIME ZONE '2026-11-23 06:00:00+00:00', 'bb');
            INSERT INTO copy (id, issue, content_key) VALUES (1, 1, 'cc');
            """;

    @TempDir
    private Path folder;

    @Test
    void what_was_sent_and_loaded_before_is_kept_in_the_shape_of_now() throws SQLException {
        String url = "jdbc:h2:file:" + folder.resolve("house");
        migrate(url, BEFORE);
        try (Connection connection = DriverManager.getConnection(url);
                Statement statement = connection.createStatement()) {
            statement.execute(HOUSE);
        }
        migrate(url, "latest");

        try (Connection connection = DriverManager.getConnection(url);
                Statement statement = connection.createStatement()) {
            assertThat(one(statement, "SELECT headline || ', ' || seen_as || ', ' || slices FROM copy"))
                    .isEqualTo("Cancelled 33, OWNER, [{\"dataSet\":1,\"allowed\":[]}]");
            assertThat(one(statement, "SELECT version || ', ' || report FROM subscription_content"))
                    .isEqualTo("1, 1");
            assertThat(one(statement, "SELECT report || ', ' || report_version || ', ' || load FROM run_source"))
                    .isEqualTo("1, 1, 1");
            assertThat(one(statement, "SELECT COUNT(*) || ', ' || MAX(failure) FROM load_attempt WHERE load = 1"))
                    .isEqualTo("1, ");
            assertThat(one(statement, "SELECT owner || ', ' || owner_view FROM data_set"))
                    .isEqualTo("1, TRUE");
        }
    }

    private static void migrate(String url, String target) {
        Flyway.configure()
                .dataSource(url, "", "")
                .locations("classpath:mailshelf/store/migration")
                .target(target)
                .load()
                .migrate();
    }

    private static String one(Statement statement, String query) throws SQLException {
        try (ResultSet found = statement.executeQuery(query)) {
            assertThat(found.next()).isTrue();
            return found.getString(1);
        }
    }
}
