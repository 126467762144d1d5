package mailshelf.store.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadId;
import mailshelf.core.data.LoadPlan;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.PersonId;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The files that figures are made from: only as they were written, and there as long as a run needs them. */
class LoadFilesTest {
    private static final DataSet SAILINGS = new DataSet(
            new DataSetId(7),
            new FolderId(1),
            new PersonId(1),
            "sailings",
            List.of(Column.text("route"), Column.number("passengers", 0)),
            Optional.empty(),
            true,
            List.of(),
            LoadPlan.SENT,
            false);

    @TempDir
    private Path folder;

    private LoadFiles files;

    @BeforeEach
    void none_yet() {
        files = new LoadFiles(folder);
    }

    @Test
    void rows_come_back_as_they_were_written() {
        Load load = written(1);

        assertThat(files.read(SAILINGS, load).rows()).isEqualTo(2);
    }

    @Test
    void a_file_that_somebody_has_changed_gives_no_figures() throws IOException {
        Load load = written(1);
        Path file = folder.resolve("loads/7/1.csv");
        Files.writeString(file, Files.readString(file).replace("34", "43"));
        assertThatThrownBy(() -> files.read(SAILINGS, load))
                .isInstanceOfSatisfying(Problem.class, e -> assertThat(e.code()).isEqualTo("data.load-damaged"));

        Files.writeString(file, "no rows");
        assertThatThrownBy(() -> files.read(SAILINGS, load))
                .isInstanceOfSatisfying(Problem.class, e -> assertThat(e.code()).isEqualTo("data.load-damaged"));
    }

    @Test
    void a_file_that_is_gone_is_told_and_is_no_fault_of_the_disk() throws IOException {
        Load load = written(1);
        Files.delete(folder.resolve("loads/7/1.csv"));

        assertThatThrownBy(() -> files.read(SAILINGS, load))
                .isInstanceOfSatisfying(Problem.class, e -> assertThat(e.code()).isEqualTo("data.load-missing"));
    }

    @Test
    void old_ones_go_once_no_run_has_to_be_made_from_them() {
        for (int no = 1; no <= 7; no++) {
            written(no);
        }
        files.removeOlderThan(SAILINGS.id(), 7, Set.of(1));
        assertThat(kept()).containsExactlyInAnyOrder(1, 3, 4, 5, 6, 7);

        files.removeOlderThan(SAILINGS.id(), 7, Set.of());
        assertThat(kept()).containsExactlyInAnyOrder(3, 4, 5, 6, 7);
    }

    private List<Integer> kept() {
        return IntStream.rangeClosed(1, 7)
                .filter(no -> Files.exists(folder.resolve("loads/7/" + no + ".csv")))
                .boxed()
                .toList();
    }

    private Load written(int no) {
        TableBuilder rows = new TableBuilder(SAILINGS.columns(), SAILINGS.dateColumn());
        rows.add(List.of("Ness", "12"));
        rows.add(List.of("Skarv", "34"));
        Table table = rows.build();
        String sha256 = files.write(SAILINGS.id(), no, table);
        return new Load(new LoadId(no), SAILINGS.id(), no, sha256, table.rows(), Optional.empty(), Instant.EPOCH);
    }
}
