package mailshelf.bench;

import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadId;
import mailshelf.core.data.LoadPlan;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.data.csv.CsvForm;
import mailshelf.core.data.csv.CsvTable;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.PersonId;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.Load;
import mailshelf.store.data.LoadFiles;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** A CSV file of many rows and 12 columns: read and checked, kept, and read back as after a start. */
@Command(name = "load", description = "A CSV file of many rows: read, kept, and read back as after a start.")
final class Loading implements Callable<Integer> {
    @Option(names = "--rows", defaultValue = "1000000")
    int rows;

    @Option(names = "--times", defaultValue = "3")
    int times;

    @Override
    public Integer call() throws IOException {
        Path folder = Files.createTempDirectory("bench-load");
        Path csv = folder.resolve("in.csv");
        Tickets.write(csv, rows);
        DataSet dataSet = new DataSet(
                new DataSetId(1),
                new FolderId(1),
                new PersonId(1),
                "tickets",
                Tickets.COLUMNS,
                Optional.of("date"),
                true,
                List.of(),
                LoadPlan.SENT,
                false);
        LoadFiles files = new LoadFiles(folder);
        for (int time = 1; time <= times; time++) {
            long start = System.nanoTime();
            Table table = read(csv);
            long read = System.nanoTime();
            String sha256 = files.write(dataSet.id(), time, table);
            long kept = System.nanoTime();
            files.read(
                    dataSet,
                    new Load(
                            new LoadId(time),
                            dataSet.id(),
                            time,
                            sha256,
                            table.rows(),
                            table.lastDay(),
                            Instant.EPOCH));
            long back = System.nanoTime();
            System.out.printf(
                    "%,d rows, %d MB: read and checked %d ms, kept %d ms, read back %d ms%n",
                    rows,
                    Files.size(csv) >> 20,
                    (read - start) / 1_000_000,
                    (kept - read) / 1_000_000,
                    (back - kept) / 1_000_000);
        }
        return 0;
    }

    private static Table read(Path csv) throws IOException {
        TableBuilder builder = new TableBuilder(Tickets.COLUMNS, Optional.of("date"));
        try (Reader reader = Files.newBufferedReader(csv)) {
            CsvTable.read(reader, CsvForm.PLAIN, Tickets.COLUMNS, builder);
        }
        return builder.build();
    }
}
