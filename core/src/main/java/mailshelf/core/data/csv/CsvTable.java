package mailshelf.core.data.csv;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.CharacterCodingException;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.BadValue;
import mailshelf.core.data.Column;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;

/** Reads and writes a table as CSV (RFC 4180) with a header line that names every column. */
public final class CsvTable {
    private static final int MOST_FAULTS_TOLD = 20;

    private CsvTable() {}

    /**
     * Adds all rows of a CSV text to a builder, or none of their faults is swallowed: a bad row means that the builder
     * is to be thrown away.
     *
     * @throws Problem {@code data.bad-header}, {@code data.bad-rows} with row, column and value of each fault
     */
    public static void read(Reader csv, CsvForm form, List<Column> columns, TableBuilder into) {
        try (CsvReader<CsvRecord> reader = CsvReader.builder()
                .fieldSeparator(form.separator())
                .allowMissingFields(true)
                .allowExtraFields(true)
                .ofCsvRecord(csv)) {
            Iterator<CsvRecord> records = reader.iterator();
            List<String> header = records.hasNext() ? records.next().getFields() : List.of();
            int[] positions = positions(header, columns);
            List<Problem.Fault> faults = new ArrayList<>();
            while (records.hasNext() && faults.size() < MOST_FAULTS_TOLD) {
                CsvRecord record = records.next();
                if (record.getFieldCount() == header.size()) {
                    addRow(record, form, positions, columns, into, faults);
                } else {
                    faults.add(ofAnotherLength(record, header.size(), form.separator()));
                }
            }
            if (!faults.isEmpty()) {
                throw new Problem(
                        Problem.Kind.INVALID,
                        "data.bad-rows",
                        faults,
                        faults.get(0).message());
            }
        } catch (CsvParseException | UncheckedIOException e) {
            if (e.getCause() instanceof CharacterCodingException) {
                throw Problem.invalid("data.bad-encoding");
            }
            throw Problem.invalid("data.not-csv", e.getMessage());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Leaves the writer open. */
    public static void write(Table table, Writer into) throws IOException {
        CsvWriter writer = CsvWriter.builder().build(into);
        writer.writeRecord(table.columns().stream().map(Column::name).toList());
        String[] values = new String[table.columns().size()];
        for (int row = 0; row < table.rows(); row++) {
            for (int column = 0; column < values.length; column++) {
                values[column] = table.raw(column, row);
            }
            writer.writeRecord(values);
        }
        writer.flush();
    }

    /** A line with too few or too many values would put them in the wrong columns. */
    private static Problem.Fault ofAnotherLength(CsvRecord record, int named, char separator) {
        String line = "line " + record.getStartingLineNumber();
        String hint = record.getFieldCount() > named
                ? "; put a value that holds \"" + separator + "\" in quotes"
                : "; an empty value needs its \"" + separator + "\" too";
        return new Problem.Fault(
                line,
                line + " has " + record.getFieldCount() + " values, but the first line names " + named + " columns"
                        + hint);
    }

    private static int[] positions(List<String> header, List<Column> columns) {
        int[] positions = columns.stream()
                .mapToInt(column -> header.indexOf(column.name()))
                .toArray();
        List<String> missing = new ArrayList<>();
        for (int i = 0; i < positions.length; i++) {
            if (positions[i] < 0) {
                missing.add(columns.get(i).name());
            }
        }
        if (!missing.isEmpty()) {
            throw Problem.invalid("data.bad-header", String.join(", ", missing), String.join(", ", header));
        }
        return positions;
    }

    private static void addRow(
            CsvRecord csv,
            CsvForm form,
            int[] positions,
            List<Column> columns,
            TableBuilder into,
            List<Problem.Fault> faults) {
        List<String> raw = new ArrayList<>(positions.length);
        List<String> plain = new ArrayList<>(positions.length);
        int bad = -1;
        for (int i = 0; i < positions.length; i++) {
            raw.add(csv.getField(positions[i]).strip());
            Optional<String> read = form.plain(raw.get(i), columns.get(i));
            bad = bad < 0 && read.isEmpty() ? i : bad;
            plain.add(read.orElse(""));
        }
        bad = bad < 0 ? into.add(plain) : bad;
        if (bad >= 0) {
            faults.add(BadValue.fault("line " + csv.getStartingLineNumber(), columns.get(bad), raw.get(bad)));
        }
    }
}
