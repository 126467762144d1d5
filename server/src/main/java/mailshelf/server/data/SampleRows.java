package mailshelf.server.data;

import java.io.IOException;
import java.io.InputStream;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.NumberText;
import mailshelf.core.data.Origin;
import mailshelf.core.data.csv.DateForm;
import mailshelf.core.data.csv.DecimalMark;
import mailshelf.core.data.csv.Inspection;
import mailshelf.core.data.csv.Inspection.TypedValue;
import mailshelf.core.data.csv.Meant;
import mailshelf.core.rights.Person;
import mailshelf.store.Database;
import mailshelf.store.source.Databases;
import mailshelf.store.source.Query;
import mailshelf.store.source.Source;
import mailshelf.store.source.SourceRoots;
import mailshelf.store.source.WatchedFolder;
import org.springframework.stereotype.Component;

/** Looks at rows before anything is kept of them: which columns, of what types, and the first as they would be kept. */
@Component
class SampleRows {
    /** As many rows of a query are looked at, so that its numbers' decimals are found. */
    private static final int LOOKED_AT = 1000;

    private static final int SHOWN = 50;

    private final Database database;
    private final PlanLoads plans;
    private final Databases databases;
    private final SourceRoots roots;

    /**
     * A column that was found.
     *
     * @param dateForms those that its days fit; more than one means that somebody has to say which is meant
     * @param unit what stands before or behind each of its numbers; "" for nothing
     * @param empty how many of the rows have no value in it
     */
    record ColumnFound(Column column, List<DateForm> dateForms, String unit, long empty) {
        static ColumnFound of(Inspection.Found found) {
            return new ColumnFound(found.column(), found.dateForms(), found.unit(), found.empty());
        }
    }

    /**
     * How a file is written, and its name where it was found by it.
     *
     * @param marks the decimal marks that its numbers fit; more than one means that somebody has to say which is meant
     */
    record FileForm(String name, String charset, String separator, DecimalMark decimalMark, List<DecimalMark> marks) {}

    /**
     * What was seen.
     *
     * @param file how it is written, where it is one
     * @param firstRows as they would be kept
     */
    record SampleView(
            Optional<FileForm> file, List<ColumnFound> columns, long rowsSeen, List<List<TypedValue>> firstRows) {}

    SampleRows(Database database, PlanLoads plans, Databases databases, SourceRoots roots) {
        this.database = database;
        this.plans = plans;
        this.databases = databases;
        this.roots = roots;
    }

    /**
     * Of a file that is sent.
     *
     * @param zone whose clocks its times are taken to be of
     * @param types to read its columns by instead of those that are found
     * @param meant how values are read that can be read in two ways
     */
    SampleView of(String name, InputStream file, Optional<List<Column>> types, Meant meant, ZoneId zone)
            throws IOException {
        IncomingCsv csv = new IncomingCsv(file, zone, meant);
        Inspection seen = csv.inspection();
        List<Column> found =
                seen.columns().stream().map(Inspection.Found::column).toList();
        FileForm form = new FileForm(
                name,
                csv.charset().name(),
                String.valueOf(seen.form().separator()),
                seen.form().decimalMark(),
                seen.marks());
        return new SampleView(
                Optional.of(form),
                seen.columns().stream().map(ColumnFound::of).toList(),
                seen.rows(),
                seen.typed(types.filter(some -> some.size() == found.size()).orElse(found), meant.dates()));
    }

    /** Of what a source has at this moment, for somebody who may use it. */
    SampleView of(Person who, Origin origin, Optional<List<Column>> types, Meant meant) throws IOException {
        if (!origin.saysAll() || origin.kind() == Origin.Kind.SENT) {
            throw Problem.invalid("data.bad-plan");
        }
        Source source = database.inTransaction(
                tx -> plans.usable(tx, who, origin.source().orElseThrow()));
        if (origin.kind() == Origin.Kind.QUERY) {
            return ofQuery(source, origin.ask(), types, who.zone());
        }
        List<WatchedFolder.Found> files = new WatchedFolder(source, roots).files(origin.ask());
        if (files.isEmpty()) {
            throw Problem.invalid("source.no-file", origin.ask(), source.name());
        }
        WatchedFolder.Found newest = files.get(files.size() - 1);
        try (InputStream in = WatchedFolder.open(newest.path())) {
            return of(newest.state().name(), in, types, meant, who.zone());
        }
    }

    private SampleView ofQuery(Source source, String sql, Optional<List<Column>> types, ZoneId zone) {
        try (Query query = databases.ask(source, sql)) {
            List<Column> declared = query.columns(zone);
            List<Column> widest = widest(
                    declared,
                    types.filter(some -> some.size() == declared.size()).orElse(declared));
            List<List<String>> rows = new ArrayList<>();
            while (rows.size() < LOOKED_AT && query.next()) {
                rows.add(IntStream.range(0, widest.size())
                        .mapToObj(i -> query.value(i, widest.get(i)))
                        .toList());
            }
            List<Column> found = IntStream.range(0, declared.size())
                    .mapToObj(i -> withDecimals(declared.get(i), rows, i))
                    .toList();
            List<Column> by = types.filter(some -> some.size() == found.size()).orElse(found);
            return new SampleView(Optional.empty(), columns(found, rows), rows.size(), typed(rows, by));
        }
    }

    /** Numbers with all their decimals; times as what they are to become, which may be days. */
    private static List<Column> widest(List<Column> declared, List<Column> wanted) {
        return IntStream.range(0, declared.size())
                .mapToObj(i -> {
                    Column column = declared.get(i);
                    if (column.type() == ColumnType.NUMBER) {
                        return Column.number(column.name(), Column.MOST_DECIMALS);
                    }
                    return column.type() == ColumnType.TIME ? wanted.get(i) : column;
                })
                .toList();
    }

    /** Databases often do not say how many decimals a number has. */
    private static Column withDecimals(Column declared, List<List<String>> rows, int at) {
        if (declared.type() != ColumnType.NUMBER) {
            return declared;
        }
        int seen = rows.stream()
                .map(row -> row.get(at))
                .filter(value -> !value.isEmpty())
                .flatMap(value -> NumberText.read(value).stream())
                .mapToInt(number -> number.stripTrailingZeros().scale())
                .max()
                .orElse(0);
        return Column.number(declared.name(), Math.min(Column.MOST_DECIMALS, Math.max(declared.decimals(), seen)));
    }

    private static List<ColumnFound> columns(List<Column> found, List<List<String>> rows) {
        return IntStream.range(0, found.size())
                .mapToObj(i -> new ColumnFound(
                        found.get(i),
                        List.of(),
                        "",
                        rows.stream().filter(row -> row.get(i).isEmpty()).count()))
                .toList();
    }

    private static List<List<TypedValue>> typed(List<List<String>> rows, List<Column> by) {
        return rows.stream()
                .limit(SHOWN)
                .map(row -> IntStream.range(0, by.size())
                        .mapToObj(i -> typed(row.get(i), by.get(i)))
                        .toList())
                .toList();
    }

    /** Noughts at the end of decimals are no more than how the database writes them. */
    private static TypedValue typed(String value, Column by) {
        boolean isNumber = by.type() == ColumnType.NUMBER && value.matches("-?\\d+\\.\\d+");
        String plain = isNumber ? value.replaceFirst("\\.?0+$", "") : value;
        return Inspection.typed(plain, by);
    }
}
