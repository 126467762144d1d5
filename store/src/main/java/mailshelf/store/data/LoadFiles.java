package mailshelf.store.data;

import java.io.BufferedOutputStream;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.DigestInputStream;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.data.csv.CsvForm;
import mailshelf.core.data.csv.CsvTable;
import mailshelf.core.shelf.Sha256;
import mailshelf.store.StoreException;

/**
 * The rows of each load as a CSV file in the data folder. The newest few are kept, and those that a run still has to be made
 * from; figures of an issue never depend on old ones.
 */
public final class LoadFiles {
    private static final int KEPT = 5;
    private static final int BUFFER = 1 << 16;
    private static final Pattern NAME = Pattern.compile("(\\d{1,9})\\.csv");

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

    /** Whether the rows of a load are there still. */
    public boolean keeps(Load load) {
        return Files.exists(file(load.dataSet(), load.no()));
    }

    /** @throws Problem {@code data.load-missing} where they are not */
    public void requireKept(DataSet dataSet, Load load) {
        if (!keeps(load)) {
            throw missing(dataSet, load);
        }
    }

    /** @throws Problem {@code data.load-missing}, {@code data.load-damaged}: no other try helps, another load does */
    public Table read(DataSet dataSet, Load load) {
        TableBuilder rows = new TableBuilder(dataSet.columns(), dataSet.dateColumn());
        MessageDigest read = Sha256.digest();
        try (InputStream in = Files.newInputStream(file(dataSet.id(), load.no()));
                BufferedReader reader = new BufferedReader(
                        new InputStreamReader(new DigestInputStream(in, read), StandardCharsets.UTF_8))) {
            CsvTable.read(reader, CsvForm.PLAIN, dataSet.columns(), rows);
        } catch (NoSuchFileException e) {
            throw missing(dataSet, load);
        } catch (Problem e) {
            throw damaged(dataSet, load); // rows that could be written can be read
        } catch (IOException e) {
            throw new StoreException("The rows of a load could not be written or read", e);
        }
        if (!Sha256.hex(read).equals(load.sha256())) {
            throw damaged(dataSet, load);
        }
        return rows.build();
    }

    private static Problem missing(DataSet dataSet, Load load) {
        return Problem.invalid("data.load-missing", dataSet.name(), Integer.toString(load.no()));
    }

    private static Problem damaged(DataSet dataSet, Load load) {
        return Problem.invalid("data.load-damaged", dataSet.name(), Integer.toString(load.no()));
    }

    /**
     * Removes the versions that have become too old by a load.
     *
     * @param needed numbers of loads that runs still have to be made from
     */
    public void removeOlderThan(DataSetId dataSet, int newest, Set<Integer> needed) {
        try (Stream<Path> all = Files.list(folder(dataSet))) {
            for (Path file : all.toList()) {
                Matcher name = NAME.matcher(file.getFileName().toString());
                if (name.matches() && isOld(Integer.parseInt(name.group(1)), newest, needed)) {
                    Files.deleteIfExists(file);
                }
            }
        } catch (IOException e) {
            throw new StoreException("The rows of a load could not be written or read", e);
        }
    }

    private static boolean isOld(int no, int newest, Set<Integer> needed) {
        return no <= newest - KEPT && !needed.contains(no);
    }

    private Path folder(DataSetId dataSet) {
        return folder.resolve(Long.toString(dataSet.value()));
    }

    private Path file(DataSetId dataSet, int no) {
        return folder(dataSet).resolve(no + ".csv");
    }
}
