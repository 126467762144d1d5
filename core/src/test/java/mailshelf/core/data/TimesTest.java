package mailshelf.core.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.time.Window;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Rows that have a time of day, asked for by times in their own zone and in others. */
class TimesTest {
    private static final ZoneId OSLO = ZoneId.of("Europe/Oslo");
    private static final List<ZoneId> ZONES = Stream.of(
                    "Europe/Oslo", "Europe/London", "Asia/Tokyo", "America/St_Johns")
            .map(ZoneId::of)
            .toList();
    private static final List<Column> COLUMNS = List.of(Column.time("left", OSLO), Column.number("n", 0));
    private static final LocalDateTime FIRST = LocalDateTime.parse("2026-03-01T00:00");

    @Property(tries = 300, seed = "20261126")
    void rows_are_in_a_window_whose_moments_are_in_it(@ForAll @IntRange(max = 1_000_000) int seed) {
        Random random = new Random(seed);
        Table table = table(random, 60);
        ZoneId zone = ZONES.get(random.nextInt(ZONES.size()));
        LocalDateTime from = FIRST.plusMinutes(random.nextInt(20 * 24 * 60));
        Window window = Window.between(from, from.plusMinutes(1 + random.nextInt(3000)), zone);
        Pass pass = new Pass(table, List.of());
        Pass.Picked picked = pass.rows(window, List.of());
        pass.run();

        assertThat(picked.rows())
                .containsExactly(IntStream.range(0, table.rows())
                        .filter(row -> {
                            var at = left(table, row).atZone(OSLO);
                            return !at.isBefore(window.start().atZone(zone))
                                    && at.isBefore(window.end().atZone(zone));
                        })
                        .toArray());
        assertThat(IntStream.range(0, table.rows()).mapToObj(row -> left(table, row)))
                .isSorted();
    }

    /** Before the clocks of any of the zones change, which is another test's business. */
    private static Table table(Random random, int size) {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("left"));
        for (int i = 0; i < size; i++) {
            LocalDateTime at = FIRST.plusMinutes(random.nextInt(20 * 24 * 60)).plusSeconds(random.nextInt(2) * 30L);
            rows.add(List.of(at.toString(), String.valueOf(i)));
        }
        return rows.build();
    }

    private static LocalDateTime left(Table table, int row) {
        return LocalDateTime.parse(table.raw("left", row));
    }

    @ParameterizedTest
    @CsvSource({
        "2026-11-24, 2026-11-24, 0123",
        "2026-11-24T07:00, '', 1234",
        "'', 2026-11-24, 0123",
        "2026-11-24T07:00:30, 2026-11-24T12:00, 2",
        "2026-11-25, '', 4"
    })
    void between_days_they_count_whole(String from, String to, String rows) {
        Filter filter = new Filter("left", Filter.Test.BETWEEN, List.of(from, to));

        assertThat(filter.fits(COLUMNS.get(0))).isTrue();
        assertThat(passing(filter)).isEqualTo(rows);
    }

    @Test
    void times_are_one_of_several_and_lack_like_any_value() {
        assertThat(passing(Filter.anyOf("left", List.of("2026-11-24T07:00", "2026-11-25T00:00:00"))))
                .isEqualTo("14");
        assertThat(passing(new Filter("left", Filter.Test.FILLED, List.of()))).isEqualTo("01234");
        assertThat(Filter.anyOf("left", List.of("2026-11-24")).fits(COLUMNS.get(0)))
                .isFalse();
    }

    private static String passing(Filter filter) {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.empty());
        int[] number = {0};
        Stream.of(
                        "2026-11-24T00:00",
                        "2026-11-24T07:00",
                        "2026-11-24T12:00:00",
                        "2026-11-24T23:59:59",
                        "2026-11-25T00:00",
                        "")
                .forEach(at -> rows.add(List.of(at, String.valueOf(number[0]++))));
        Table more = TableBuilder.from(rows.build()).build();
        int[] all = IntStream.range(0, more.rows()).toArray();
        int kept = RowTest.of(more, filter).keep(all, all.length);
        return IntStream.range(0, kept).mapToObj(i -> more.raw("n", all[i])).reduce("", String::concat);
    }

    @Test
    void a_column_of_times_has_a_zone_and_others_have_none() {
        assertThatThrownBy(() -> new Column("left", ColumnType.TIME, 0, Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Column("left", ColumnType.DATE, 0, Optional.of(OSLO)))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
