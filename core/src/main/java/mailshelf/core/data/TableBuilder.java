package mailshelf.core.data;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import mailshelf.core.time.IsoDay;
import mailshelf.core.time.IsoTime;

/** Collects rows of typed values and makes a table of them, sorted by date if told so, otherwise as they came. */
public final class TableBuilder {
    private final List<Column> columns;
    private final Optional<Integer> dateColumn;
    private final List<Collector> collectors = new ArrayList<>();
    private int rows;

    /** @param dateColumn the column that rows are sorted by, if they are; one that has days */
    public TableBuilder(List<Column> columns, Optional<String> dateColumn) {
        this.columns = List.copyOf(columns);
        this.dateColumn = IntStream.range(0, columns.size())
                .filter(i -> dateColumn.filter(columns.get(i).name()::equals).isPresent()
                        && columns.get(i).hasDays())
                .boxed()
                .findFirst();
        if (this.dateColumn.isPresent() != dateColumn.isPresent()) {
            throw new IllegalArgumentException("No date column " + dateColumn + " in " + columns);
        }
        columns.forEach(column -> collectors.add(collector(column)));
    }

    /** Starts with the rows of a table of the same columns. */
    public static TableBuilder from(Table table) {
        TableBuilder builder = new TableBuilder(table.columns(), table.dateColumn());
        builder.addAll(table);
        return builder;
    }

    /** Adds the rows of a table of the same columns. */
    public void addAll(Table table) {
        for (int i = 0; i < collectors.size(); i++) {
            collectors.get(i).addAll(table.data(i));
        }
        rows += table.rows();
    }

    /**
     * Adds a row of raw values in the order of the columns.
     *
     * @return -1, or the position of the first value that its column cannot hold; then nothing was added
     */
    public int add(List<String> raw) {
        for (int i = 0; i < collectors.size(); i++) {
            boolean needed = i == dateColumn.orElse(-1);
            if (!collectors.get(i).read(raw.get(i)) || (needed && raw.get(i).isEmpty())) {
                return i;
            }
        }
        collectors.forEach(Collector::keep);
        rows++;
        return -1;
    }

    public Table build() {
        int[] order = dateColumn.map(this::sortedBy).orElseGet(this::identity);
        return new Table(columns, collectors.stream().map(c -> c.build(order)).toList(), rows, dateColumn);
    }

    private int[] sortedBy(int column) {
        List<Column> alone = List.of(columns.get(column));
        List<ColumnData> values = List.of(collectors.get(column).build(identity()));
        return RowOrder.by(
                new Table(alone, values, rows, Optional.empty()), alone.get(0).name(), false, identity());
    }

    private int[] identity() {
        return IntStream.range(0, rows).toArray();
    }

    private static Collector collector(Column column) {
        return switch (column.type()) {
            case TEXT -> new TextCollector();
            case NUMBER -> new NumberCollector(column.decimals());
            case DATE -> new DateCollector();
            case TIME -> new TimeCollector();
        };
    }

    private interface Collector {
        /** Reads a value, to be kept or not; false where the column cannot hold it. */
        boolean read(String raw);

        /** Keeps what was read last. */
        void keep();

        /** Adds a column of the same type. */
        void addAll(ColumnData column);

        ColumnData build(int[] order);
    }

    /** Codes are given as values come, and changed to those of a sorted dictionary at the end. */
    private static final class TextCollector implements Collector {
        private static final int NONE = -1;

        private final Map<String, Integer> codes = new HashMap<>();
        private final List<String> dictionary = new ArrayList<>();
        private final IntList values = new IntList();

        private String last = "";

        @Override
        public boolean read(String raw) {
            last = raw;
            return raw.length() <= Column.LONGEST_TEXT;
        }

        @Override
        public void keep() {
            values.add(last.isEmpty() ? NONE : codes.computeIfAbsent(last, this::newCode));
        }

        @Override
        public void addAll(ColumnData column) {
            ColumnData.Text text = (ColumnData.Text) column;
            int[] own = Arrays.stream(text.dictionary())
                    .mapToInt(word -> codes.computeIfAbsent(word, this::newCode))
                    .toArray();
            for (int row = 0; row < text.codes().length; row++) {
                values.add(text.hasNone(row) ? NONE : own[text.codes()[row]]);
            }
        }

        private int newCode(String raw) {
            dictionary.add(raw);
            return dictionary.size() - 1;
        }

        @Override
        public ColumnData build(int[] order) {
            return ColumnData.Text.sorted(dictionary, inOrder(values, order));
        }
    }

    private static final class NumberCollector implements Collector {
        /** With nine decimals more it is still far from the largest. */
        private static final int SHORT = 9;

        private final int decimals;
        private long[] values = new long[64];
        private int size;

        private NumberCollector(int decimals) {
            this.decimals = decimals;
        }

        private long last;

        @Override
        public boolean read(String raw) {
            try {
                last = raw.isEmpty() ? ColumnData.Numbers.NONE : unscaled(raw);
                return raw.isEmpty() || last != ColumnData.Numbers.NONE;
            } catch (ArithmeticException | NumberFormatException e) {
                return false;
            }
        }

        @Override
        public void keep() {
            if (size == values.length) {
                values = Arrays.copyOf(values, size * 2 + 64);
            }
            values[size++] = last;
        }

        @Override
        public void addAll(ColumnData column) {
            long[] more = ((ColumnData.Numbers) column).unscaled();
            values = Arrays.copyOf(values, size + more.length);
            System.arraycopy(more, 0, values, size, more.length);
            size = values.length;
        }

        /** Digit by digit where it is short and plain, as nearly all are. */
        private long unscaled(String raw) {
            int sign = raw.startsWith("-") ? 1 : 0;
            int point = raw.indexOf('.');
            int digitsBehind = point < 0 ? 0 : raw.length() - point - 1;
            if (raw.length() > SHORT || digitsBehind > decimals || raw.length() == sign || point == sign) {
                return exactly(raw);
            }
            long value = 0;
            for (int i = sign; i < raw.length(); i++) {
                char digit = raw.charAt(i);
                if (i != point) {
                    if (digit < '0' || digit > '9') {
                        return exactly(raw);
                    }
                    value = value * 10 + digit - '0';
                }
            }
            for (int i = digitsBehind; i < decimals; i++) {
                value *= 10;
            }
            return sign == 0 ? value : -value;
        }

        private long exactly(String raw) {
            return NumberText.read(raw)
                    .orElseThrow(() -> new NumberFormatException(raw))
                    .setScale(decimals)
                    .unscaledValue()
                    .longValueExact();
        }

        @Override
        public ColumnData build(int[] order) {
            return ColumnData.Numbers.of(
                    Arrays.stream(order).mapToLong(row -> values[row]).toArray(), decimals);
        }
    }

    private static final class DateCollector implements Collector {
        private final IntList values = new IntList();

        private String last = "";
        private int lastDay = ColumnData.Days.NONE;

        @Override
        public boolean read(String raw) {
            // rows often come by day
            if (raw.equals(last)) {
                return true;
            }
            Optional<LocalDate> day = IsoDay.read(raw);
            if (day.isEmpty() && !raw.isEmpty()) {
                return false;
            }
            lastDay = day.map(found -> (int) found.toEpochDay()).orElse(ColumnData.Days.NONE);
            last = raw;
            return true;
        }

        @Override
        public void keep() {
            values.add(lastDay);
        }

        @Override
        public void addAll(ColumnData column) {
            for (int day : ((ColumnData.Dates) column).epochDays()) {
                values.add(day);
            }
        }

        @Override
        public ColumnData build(int[] order) {
            return new ColumnData.Dates(inOrder(values, order));
        }
    }

    private static final class TimeCollector implements Collector {
        private final LongList values = new LongList();

        private String last = "";
        private long lastTime = ColumnData.Numbers.NONE;

        @Override
        public boolean read(String raw) {
            if (raw.equals(last)) {
                return true;
            }
            Optional<LocalDateTime> time = IsoTime.read(raw);
            if (time.isEmpty() && !raw.isEmpty()) {
                return false;
            }
            lastTime = time.map(found -> found.toEpochSecond(ZoneOffset.UTC)).orElse(ColumnData.Numbers.NONE);
            last = raw;
            return true;
        }

        @Override
        public void keep() {
            values.add(lastTime);
        }

        @Override
        public void addAll(ColumnData column) {
            ColumnData.Times times = (ColumnData.Times) column;
            for (int row = 0; row < times.seconds().length; row++) {
                values.add(times.at(row));
            }
        }

        @Override
        public ColumnData build(int[] order) {
            long[] all = values.toArray();
            return ColumnData.Times.of(order.length, i -> all[order[i]]);
        }
    }

    private static int[] inOrder(IntList values, int[] order) {
        int[] all = values.toArray();
        return Arrays.stream(order).map(row -> all[row]).toArray();
    }
}
