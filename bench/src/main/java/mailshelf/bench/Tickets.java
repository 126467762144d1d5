package mailshelf.bench;

import java.util.List;
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
}
