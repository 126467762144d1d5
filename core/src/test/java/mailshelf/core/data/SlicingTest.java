package mailshelf.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import mailshelf.core.rights.PersonId;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Slices against a look at every row, on random tables and rules; and the mapping tables that the rules are read from. */
class SlicingTest {
    private static final List<Column> COLUMNS = List.of(
            Column.date("day"),
            Column.text("route"),
            Column.text("class"),
            Column.number("amount", 1),
            Column.date("due"));

    @Property(tries = 100, seed = "20261126")
    void a_slice_has_the_rows_that_all_rules_let_through_and_no_word_of_any_other(
            @ForAll @IntRange(max = 1_000_000) int seed) {
        Random random = new Random(seed);
        Table table = table(random, random.nextInt(300));
        List<Allowed> rules = new ArrayList<>();
        if (random.nextInt(4) > 0) {
            rules.add(allowed(random, "route"));
        }
        if (random.nextBoolean()) {
            rules.add(allowed(random, "class"));
        }
        Table seen = new Slicing(table, random.nextInt(100)).of(viewer(rules)).table();
        int[] expected = IntStream.range(0, table.rows())
                .filter(row -> rules.stream().allMatch(rule -> rule.values().contains(table.raw(rule.column(), row))))
                .toArray();

        assertThat(seen.rows()).isEqualTo(expected.length);
        for (Column column : COLUMNS) {
            Set<String> values = new HashSet<>();
            for (int i = 0; i < expected.length; i++) {
                assertThat(seen.raw(column.name(), i)).isEqualTo(table.raw(column.name(), expected[i]));
                values.add(seen.raw(column.name(), i));
            }
            values.remove("");
            if (column.type() == ColumnType.TEXT) {
                assertThat(seen.values(column.name())).containsExactlyInAnyOrderElementsOf(values);
            }
        }
    }

    @Property(tries = 2000, seed = "20261130")
    void a_filter_as_somebody_may_know_it_lets_the_same_rows_pass_and_names_no_hidden_value(
            @ForAll @IntRange(max = 1_000_000) int seed) {
        Random random = new Random(seed);
        Table table = table(random, random.nextInt(60));
        List<Allowed> rules = random.nextBoolean()
                ? List.of(allowed(random, "route"))
                : List.of(allowed(random, "route"), allowed(random, "class"));
        Table seen = new Slicing(table).of(viewer(rules)).table();
        Filter filter = Plainly.anyFilter(table, random);

        List<Filter> known = filter.knownBy(rules).stream().toList();

        for (int row = 0; row < seen.rows(); row++) {
            assertThat(Plainly.passes(known, seen, row))
                    .as("%s known as %s", filter, known)
                    .isEqualTo(Plainly.passes(List.of(filter), seen, row));
        }
        for (Allowed rule : rules) {
            List<String> hidden = new ArrayList<>(table.values(rule.column()));
            hidden.removeAll(rule.values());
            assertThat(known)
                    .filteredOn(some -> some.column().equals(rule.column()))
                    .noneMatch(some -> some.values().stream().anyMatch(hidden::contains));
        }
    }

    @Property(tries = 100, seed = "20261126")
    void who_covers_others_sees_every_row_of_theirs(@ForAll @IntRange(max = 1_000_000) int seed) {
        Random random = new Random(seed);
        Slicing slicing = new Slicing(table(random, 100));
        Viewer one = viewer(random.nextBoolean() ? List.of() : List.of(allowed(random, "route")));
        Viewer other = viewer(
                random.nextBoolean()
                        ? List.of(allowed(random, "route"))
                        : List.of(allowed(random, "route"), allowed(random, "class")));
        if (one.covers(other.allowed())) {
            Table seen = slicing.of(other).table();
            for (int row = 0; row < seen.rows(); row++) {
                String route = seen.raw("route", row);
                assertThat(one.allowed()).allMatch(rule -> rule.values().contains(route));
            }
        } else {
            assertThat(one.allowed()).isNotEmpty();
        }
    }

    @Test
    void nobody_covers_all_rows_but_who_may_see_them_all() {
        Viewer limited = viewer(List.of(new Allowed("route", List.of("1"))));

        assertThat(limited.covers(List.of())).isFalse();
        assertThat(limited.covers(List.of(new Allowed("class", List.of("1"))))).isFalse();
        assertThat(limited.covers(limited.allowed())).isTrue();
        assertThat(viewer(List.of()).covers(List.of())).isTrue();
    }

    @Test
    void a_mapping_table_gives_by_address_and_by_group_whatever_the_case() {
        Mapping mapping = mapping("ida@x.example,1", "IDA@X.example,2", "Route leads,3", "Board,*", "tor@x.example,");

        assertThat(mapping.given(List.of("Ida@x.example", "route leads"))).contains(Set.of("1", "2", "3"));
        assertThat(mapping.given(List.of("tor@x.example"))).contains(Set.of());
        assertThat(mapping.given(List.of("tor@x.example", "board"))).isEmpty();
        assertThat(mapping.values()).containsExactlyInAnyOrder("1", "2", "3");
    }

    @Test
    void a_table_without_days_has_its_rows_in_the_order_they_came_and_in_every_window() {
        Table table = table(List.of("b,1", "a,2"));

        assertThat(table.raw("who", 0)).isEqualTo("b");
        assertThat(table.lastDay()).isEmpty();
        assertThat(TableBuilder.from(table).build().rows()).isEqualTo(2);
    }

    private static Mapping mapping(String... lines) {
        return new Mapping(table(List.of(lines)), "who", "route");
    }

    private static Table table(List<String> lines) {
        TableBuilder rows = new TableBuilder(List.of(Column.text("who"), Column.text("route")), Optional.empty());
        lines.forEach(line -> rows.add(List.of(line.split(",", -1))));
        return rows.build();
    }

    private static Viewer viewer(List<Allowed> rules) {
        return new Viewer(new PersonId(1), rules);
    }

    /** At times of no value at all, and of one that no row has. */
    private static Allowed allowed(Random random, String column) {
        return Allowed.of(
                column,
                IntStream.range(0, random.nextInt(4))
                        .mapToObj(i -> String.valueOf(random.nextInt(8)))
                        .toList());
    }

    private static Table table(Random random, int size) {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("day"));
        for (int i = 0; i < size; i++) {
            rows.add(List.of(
                    "2026-01-" + (10 + random.nextInt(20)),
                    random.nextInt(9) == 0 ? "" : String.valueOf(random.nextInt(7)),
                    String.valueOf(random.nextInt(3)),
                    random.nextInt(5) == 0 ? "" : random.nextInt(90) + ".5",
                    random.nextInt(5) == 0 ? "" : "2026-02-1" + random.nextInt(10)));
        }
        return rows.build();
    }
}
