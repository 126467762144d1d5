package mailshelf.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import mailshelf.core.data.Column;

/** The columns of the tables that are measured: a day, six texts, five numbers. */
final class Tickets {
    static final List<Column> COLUMNS = Stream.concat(
                    Stream.of(Column.date("date")),
                    Stream.concat(
                            Stream.of("route", "vessel", "class", "channel", "cancelled", "cause")
                                    .map(Column::text),
                            Stream.of("passengers", "cars", "amount", "delay", "fuel")
                                    .map(name -> Column.number(name, 2))))
            .toList();

    private Tickets() {}

    /** A file of so many of them, the same each time. */
    static void write(Path csv, int rows) throws IOException {
        Random random = new Random(1);
        LocalDate last = LocalDate.parse("2026-11-22");
        try (var out = Files.newBufferedWriter(csv)) {
            out.write(String.join(",", COLUMNS.stream().map(Column::name).toList()) + "\n");
            for (int row = 0; row < rows; row++) {
                StringBuilder line =
                        new StringBuilder(last.minusDays(random.nextInt(730)).toString());
                COLUMNS.subList(1, 7)
                        .forEach(column -> line.append(',')
                                .append(column.name())
                                .append(' ')
                                .append(random.nextInt(8)));
                for (int i = 0; i < 5; i++) {
                    line.append(',').append(random.nextInt(100)).append('.').append(10 + random.nextInt(90));
                }
                out.write(line.append('\n').toString());
            }
        }
    }
}
