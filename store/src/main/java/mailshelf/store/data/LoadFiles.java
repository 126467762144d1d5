package mailshelf.store.data;

import java.io.BufferedOutputStream;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.DigestOutputStream;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.data.csv.CsvForm;
import mailshelf.core.data.csv.CsvTable;
import mailshelf.core.shelf.Sha256;
import mailshelf.store.StoreException;

/**
 * The rows of each load as a CSV file in the data folder. The newest few are kept; figures of an issue never depend on
 * old ones.
 */
public final class LoadFiles {
    private static final int KEPT = 3;
    private static final int BUFFER = 1 << 16;

    private final Path folder;

    public LoadFiles(Path dataFolder) {
        this.folder = dataFolder.resolve("loads");
    }

    /** Writes a version through to the disk before anybody can name it; gives its checksum. */
    public String write(DataSetId dataSet, int no, Table table) {
        try {
            Path target = file(dataSet, no);
            Files.createDirectories(target.getParent());
            String sha256;
            Path partial = target.resolveSibling(target.getFileName() + ".part");
            try (FileChannel channel = FileChannel.open(
                    partial,
                    StandardOpenOption.CREATE,
                    StandardOpenOption.WRITE,
                    StandardOpenOption.TRUNCATE_EXISTING)) {
                DigestOutputStream out = new DigestOutputStream(
                        new BufferedOutputStream(Channels.newOutputStream(channel), BUFFER), Sha256.digest());
                Writer csv = new OutputStreamWriter(out, StandardCharsets.UTF_8);
                CsvTable.write(table, csv);
                csv.flush();
                channel.force(true);
                sha256 = Sha256.hex(out.getMessageDigest());
            }
            Files.move(partial, target, StandardCopyOption.ATOMIC_MOVE);
            return sha256;
        } catch (IOException e) {
            throw new StoreException("The rows of a load could not be written or read", e);
        }
    }

    public Table read(DataSet dataSet, int no) {
        TableBuilder rows = new TableBuilder(dataSet.columns(), dataSet.dateColumn());
        try (BufferedReader reader = Files.newBufferedReader(file(dataSet.id(), no))) {
            CsvTable.read(reader, CsvForm.PLAIN, dataSet.columns(), rows);
        } catch (IOException e) {
            throw new StoreException("The rows of a load could not be written or read", e);
        }
        return rows.build();
    }

    /** Removes the version that has become too old by a load. */
    public void removeOlderThan(DataSetId dataSet, int newest) {
        try {
            Files.deleteIfExists(file(dataSet, newest - KEPT));
        } catch (IOException e) {
            throw new StoreException("The rows of a load could not be written or read", e);
        }
    }

    private Path file(DataSetId dataSet, int no) {
        return folder.resolve(Long.toString(dataSet.value())).resolve(no + ".csv");
    }
}
