package mailshelf.core.data.csv;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.stream.IntStream;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.time.IsoTime;
import mailshelf.core.wording.OneLine;
import mailshelf.core.work.StillWanted;

/**
 * What the beginning of a CSV file looks like: how it is written, which columns it has, and of what types. A proposal, to
 * be looked at and corrected before anything is kept.
 *
 * @param marks the decimal marks that its numbers can be read with; more than one means that somebody has to say which is meant
 * @param rows how many rows were looked at
 * @param firstRows the first of them, as they are written
 */
public record Inspection(
        CsvForm form, List<DecimalMark> marks, List<Found> columns, long rows, List<List<String>> firstRows) {
    private static final List<Character> SEPARATORS = List.of(',', ';', '\t', '|');
    private static final int MOST_DIGITS = 18;

    /** More tell nothing new about the types of columns. */
    private static final int LOOKED_AT = 20_000;

    /** As many as are shown before anything is kept. */
    private static final int SHOWN = 50;

    /**
     * A column of the file.
     *
     * @param dateForms those that most of its values fit; more than one means that somebody has to say which is meant
     * @param unit what stands before or behind each of its numbers; "" for nothing
     * @param empty how many of the rows have no value
     * @param nearly what a column of text would be but for some of its values, where most would fit
     */
    public record Found(Column column, List<DateForm> dateForms, String unit, long empty, Optional<Column> nearly) {
        public Found {
            dateForms = List.copyOf(dateForms);
        }

        public boolean isAmbiguous() {
            return dateForms.size() > 1;
        }
    }

    public Inspection {
        marks = List.copyOf(marks);
        columns = List.copyOf(columns);
        firstRows = List.copyOf(firstRows);
    }

    /**
     * @param head the beginning of a file
     * @param isWhole whether it is all of it; otherwise its last line may be cut and is not looked at
     * @param zone whose clocks times are taken to be of
     * @param meant the decimal mark, where somebody has said it; it counts where its numbers fit both
     * @throws Problem {@code data.no-header}, {@code data.too-many-columns}, {@code data.bad-names}
     *     with each name at fault, {@code data.not-csv}
     */
    public static Inspection of(String head, boolean isWhole, ZoneId zone, Optional<DecimalMark> meant) {
        requireFewColumns(head);
        char separator = SEPARATORS.stream()
                .max(Comparator.comparingLong(each -> evidence(head, each)))
                .orElseThrow();
        List<List<String>> records = records(head, separator);
        if (!isWhole && records.size() > 1) {
            records = records.subList(0, records.size() - 1);
        }
        if (records.isEmpty()) {
            throw Problem.invalid("data.no-header");
        }
        List<String> names = records.get(0);
        requireNames(names);
        List<List<String>> rows = records.subList(1, Math.min(records.size(), LOOKED_AT + 1));
        List<DecimalMark> marks = decimalMarks(rows, separator);
        DecimalMark mark = meant.filter(marks::contains).orElse(marks.get(0));
        List<Found> columns = IntStream.range(0, names.size())
                .mapToObj(i -> found(names.get(i), rows, i, mark, zone))
                .toList();
        Map<String, DateForm> dates = new LinkedHashMap<>();
        Map<String, String> units = new LinkedHashMap<>();
        for (Found each : columns) {
            each.dateForms().stream()
                    .findFirst()
                    .ifPresent(form -> dates.put(each.column().name(), form));
            if (!each.unit().isEmpty()) {
                units.put(each.column().name(), each.unit());
            }
        }
        CsvForm form = new CsvForm(separator, mark, dates, units);
        return new Inspection(
                form,
                marks,
                columns,
                rows.size(),
                rows.stream().limit(SHOWN).map(row -> padded(row, names.size())).toList());
    }

    private static List<String> padded(List<String> row, int size) {
        return IntStream.range(0, size)
                .mapToObj(i -> i < row.size() ? row.get(i) : "")
                .toList();
    }

    /**
     * A value as its column would take it.
     *
     * @param text a plain decimal, an ISO date or text, "" for none; as it is written where it does not fit
     */
    public record TypedValue(String text, boolean fits) {}

    /**
     * The first rows as they would be kept.
     *
     * @param types those of the file's columns, in its order
     * @param dates which form days are in that fit several
     */
    public List<List<TypedValue>> typed(List<Column> types, Optional<DateForm> dates) {
        Map<String, DateForm> forms = new HashMap<>(form.dates());
        columns.stream()
                .filter(Found::isAmbiguous)
                .forEach(found ->
                        dates.ifPresent(meant -> forms.put(found.column().name(), meant)));
        CsvForm read = new CsvForm(form.separator(), form.decimalMark(), forms, form.units());
        return firstRows.stream()
                .map(row -> IntStream.range(0, types.size())
                        .mapToObj(i -> cell(read, types.get(i), row.get(i)))
                        .toList())
                .toList();
    }

    /** Whether the numbers of the first rows, read with a mark, have no more decimals than the columns of their names keep. */
    public boolean fits(DecimalMark mark, List<Column> kept) {
        return IntStream.range(0, columns.size())
                .allMatch(at -> kept.stream()
                        .filter(column -> column.type() == ColumnType.NUMBER
                                && column.name().equals(columns.get(at).column().name()))
                        .allMatch(column -> firstRows.stream()
                                .flatMap(row -> mark.read(number(row.get(at))).stream())
                                .allMatch(plain -> decimals(plain) <= column.decimals())));
    }

    /** A value of a plain text, as a column would take it. */
    public static TypedValue typed(String plain, Column column) {
        return cell(CsvForm.PLAIN, column, plain);
    }

    private static TypedValue cell(CsvForm form, Column column, String written) {
        Optional<String> plain = form.plain(written, column).filter(value -> value.isEmpty() || fits(value, column));
        return new TypedValue(plain.orElse(written), plain.isPresent());
    }

    private static boolean fits(String plain, Column column) {
        return switch (column.type()) {
            case TEXT -> true;
            case NUMBER -> decimals(plain) <= column.decimals();
            case DATE -> DateForm.ISO.read(plain).isPresent();
            case TIME -> IsoTime.read(plain).isPresent();
        };
    }

    /** Lines that have as many fields as the first, times the fields: a separator that is none splits nothing evenly. */
    private static long evidence(String head, char separator) {
        List<List<String>> records;
        try {
            records = records(head, separator);
        } catch (Problem e) {
            return -1; // quotes that do not go together
        }
        int fields = records.isEmpty() ? 0 : records.get(0).size();
        long even = records.stream().filter(record -> record.size() == fields).count();
        return fields < 2 ? 0 : even * fields;
    }

    private static List<List<String>> records(String head, char separator) {
        try (CsvReader<CsvRecord> reader = CsvReader.builder()
                .fieldSeparator(separator)
                .allowMissingFields(true)
                .allowExtraFields(true)
                .ofCsvRecord(head)) {
            return reader.stream()
                    .map(csv -> csv.getFields().stream().map(String::strip).toList())
                    .toList();
        } catch (CsvParseException | java.io.IOException e) {
            throw Problem.invalid("data.not-csv", e.getMessage());
        }
    }

    /** By the separators in the first line, before anything is taken apart: some of it costs columns times rows. */
    private static void requireFewColumns(String head) {
        String first = head.lines().findFirst().orElse("");
        for (char separator : SEPARATORS) {
            long columns = first.chars().filter(c -> c == separator).count() + 1;
            if (columns > Column.MOST_IN_A_ROW) {
                throw Problem.invalid("data.too-many-columns", columns, Column.MOST_IN_A_ROW);
            }
        }
    }

    private static void requireNames(List<String> names) {
        List<Problem.Fault> faults = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < names.size(); i++) {
            String field = "column " + (i + 1);
            if (!OneLine.isName(names.get(i))) {
                faults.add(new Problem.Fault(
                        field,
                        field + " has no name of 1 to " + OneLine.LONGEST_NAME + " characters in the first line"));
            } else if (!seen.add(names.get(i))) {
                faults.add(new Problem.Fault(field, field + " is called \"" + names.get(i) + "\" like one before it"));
            }
        }
        if (!faults.isEmpty()) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "data.bad-names",
                    faults,
                    faults.get(0).message());
        }
    }

    /**
     * What most values can be read with. Where both fit the same and mean something else, as with 1,234, both; that of files
     * which are separated by semicolons first, since they come from where the comma is the mark.
     */
    private static List<DecimalMark> decimalMarks(List<List<String>> rows, char separator) {
        List<String> numbers =
                rows.stream().flatMap(List::stream).map(Inspection::number).toList();
        long comma = readable(numbers, DecimalMark.COMMA);
        long point = readable(numbers, DecimalMark.POINT);
        if (comma != point) {
            return List.of(comma > point ? DecimalMark.COMMA : DecimalMark.POINT);
        }
        List<DecimalMark> both = separator == ';'
                ? List.of(DecimalMark.COMMA, DecimalMark.POINT)
                : List.of(DecimalMark.POINT, DecimalMark.COMMA);
        boolean isTheSame = numbers.stream()
                .allMatch(number -> DecimalMark.COMMA.read(number).equals(DecimalMark.POINT.read(number)));
        return isTheSame ? both.subList(0, 1) : both;
    }

    /** The number of an amount; the value itself where it is none. */
    private static String number(String value) {
        return Amount.of(value).map(Amount::number).orElse(value);
    }

    private static long readable(List<String> numbers, DecimalMark mark) {
        return numbers.stream().filter(number -> mark.read(number).isPresent()).count();
    }

    private static Found found(String name, List<List<String>> rows, int at, DecimalMark mark, ZoneId zone) {
        StillWanted.require();
        List<String> values = rows.stream()
                .map(row -> at < row.size() ? row.get(at) : "")
                .filter(value -> !value.isEmpty())
                .toList();
        long empty = rows.size() - values.size();
        Map<DateForm, Long> days =
                fits(values, (value, form) -> form.read(value).isPresent());
        Map<DateForm, Long> times =
                fits(values, (value, form) -> TimeOfDay.read(value, form, zone).isPresent());
        long most = Collections.max(times.values());
        if (most > 0 && most * 2 >= values.size()) {
            List<DateForm> forms = times.keySet().stream()
                    .filter(form -> times.get(form) == most)
                    .toList();
            boolean isDay = Collections.max(days.values()) == most;
            Column dated = isDay ? Column.date(name) : Column.time(name, zone);
            return most == values.size()
                    ? new Found(dated, forms, "", empty, Optional.empty())
                    : new Found(Column.text(name), forms, "", empty, Optional.of(dated));
        }
        String unit = unit(values);
        List<String> bare = unit.isEmpty()
                ? values
                : values.stream().map(Inspection::number).toList();
        List<String> numbers =
                bare.stream().filter(value -> isNumber(value, mark)).toList();
        int decimals = numbers.stream()
                .mapToInt(value -> decimals(mark.read(value).orElseThrow()))
                .max()
                .orElse(0);
        Column number = Column.number(name, decimals);
        boolean isNumber = !bare.isEmpty() && numbers.size() == bare.size();
        boolean isNearly = !isNumber && numbers.size() * 2 > bare.size();
        return isNumber
                ? new Found(number, List.of(), unit, empty, Optional.empty())
                : new Found(
                        Column.text(name),
                        List.of(),
                        "",
                        empty,
                        Optional.of(number).filter(nearly -> isNearly));
    }

    /** What stands before or behind all values alike; some with one and some without are not of one kind. */
    private static String unit(List<String> values) {
        Optional<String> first = values.stream().findFirst().flatMap(Amount::of).map(Amount::unit);
        return first.filter(unit -> values.stream()
                        .allMatch(value -> Amount.of(value)
                                .filter(amount -> amount.unit().equals(unit))
                                .isPresent()))
                .orElse("");
    }

    /** How many of some values can be read with each form. */
    private static Map<DateForm, Long> fits(List<String> values, BiPredicate<String, DateForm> reads) {
        Map<DateForm, Long> fits = new EnumMap<>(DateForm.class);
        for (DateForm form : DateForm.values()) {
            fits.put(
                    form,
                    values.stream().filter(value -> reads.test(value, form)).count());
        }
        return fits;
    }

    /** Numbers that begin with a nought are codes, of which it is a part; so are those that are longer than any count. */
    private static boolean isNumber(String value, DecimalMark mark) {
        return mark.read(value)
                .filter(plain -> !plain.matches("-?0\\d.*"))
                .filter(plain -> plain.replaceAll("\\D", "").length() <= MOST_DIGITS)
                .filter(plain -> decimals(plain) <= Column.MOST_DECIMALS)
                .isPresent();
    }

    private static int decimals(String plain) {
        int point = plain.indexOf('.');
        return point < 0 ? 0 : plain.length() - point - 1;
    }
}
