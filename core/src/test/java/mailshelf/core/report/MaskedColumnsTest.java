package mailshelf.core.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.Column;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Slicing;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.data.Viewer;
import mailshelf.core.json.CoreJson;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.Period;
import mailshelf.core.wording.Words;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Values of masked columns, and what is computed from them, are on no page; all else is as it was. */
class MaskedColumnsTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);
    private static final List<Column> COLUMNS = List.of(
            Column.date("day"),
            Column.text("route"),
            Column.text("who"),
            Column.number("wage", 2),
            Column.date("born"),
            Column.number("hours", 0));
    private static final List<String> PERSONAL = List.of("who", "wage", "born");

    /** Names are by this form, wages are of 777 thousand and end in .77, and all were born in the fifties: anything like it is a leak. */
    private static final Pattern LEAK = Pattern.compile("Secret|SECRET|777\\d{3}\\.77|195\\d-|\"195\\d\"");

    private static final Definition DEFINITION = DefinitionReader.read("""
            report: Crews
            about: Who works how much?
            data: crews
            compute:
              initials: upper(left(who, 8))
              decade: text(year(born))
              rich: 'if wage > 100 then "much" else "little"'
            filters: [route, who]
            rows: [day, route, who]
            measures:
              rows: {title: Rows, count: rows}
              hours: {title: Hours, sum: hours}
              secret hours: {title: Hours of one, sum: hours, where: {who: Secret 1}}
              secret rows: {title: Rows of one, count: rows, where: {who: Secret 1}}
              named: {title: Different names, distinct: who}
              much: {title: Much, count: rows, where: rich = "much"}
              pay: {title: Pay, sum: wage}
              most: {title: Most, greatest: wage}
              rate: {title: Rate, ratio: [pay, hours], decimals: 2}
            pages:
              - page: All
                blocks:
                  - {figure: rows}
                  - {figure: hours}
                  - {figure: pay, trend: 4 weeks}
                  - {figure: most}
                  - {figure: rate}
                  - {figure: secret hours}
                  - {figure: secret rows}
                  - {figure: named}
                  - {figure: much}
                  - {chart: bars, title: By who, measure: hours, by: who}
                  - {chart: bars, title: By route, measure: hours, by: route, split: initials}
                  - {table: [route, who], title: Both, measures: [hours, pay, share of hours]}
                  - {table: [decade], title: Decades, measures: [rows]}
                  - {table: rows, title: Every row, columns: [day, route, who, wage, born, initials, rich, hours]}
                  - {table: rows, title: Rows of the rich, columns: [day, route], where: rich = "much"}
                  - text: "{pay} for {hours} hours, {secret rows} of one."
              - page: Plain
                id: plain
                blocks:
                  - {figure: hours}
                  - {table: route, title: By route, measures: [rows, hours]}
            """, COLUMNS);

    @Property(tries = 50, seed = "20261126")
    void nothing_of_a_masked_column_is_shown(@ForAll @IntRange(max = 1_000_000) int seed) {
        Slicing rows = new Slicing(table(new Random(seed)));
        List<Allowed> allowed =
                seed % 2 == 0 ? List.of() : List.of(new Allowed("route", List.of("1 Ness", "2 Hovden")));
        Slice masked = rows.of(new Viewer(new PersonId(1), allowed).without(PERSONAL));
        Slice plain = rows.of(new Viewer(new PersonId(1), allowed));
        List<Filter> filters =
                seed % 3 == 0 ? List.of(new Filter("who", Filter.Test.NONE_OF, List.of("Secret 9"))) : List.of();

        PageModel page = page("b", masked, filters);
        PageModel whole = page("b", plain, filters);

        assertThat(LEAK.matcher(CoreJson.write(page)).results().map(MatchResult::group))
                .isEmpty();
        assertThat(page.rows()).isEqualTo(whole.rows());
        assertThat(figure(page, "Hours")).isEqualTo(figure(whole, "Hours")).isPresent();
        assertThat(figure(page, "Hours of one")).isEmpty();
        assertThat(figure(page, "Rows of one")).isEmpty();
        assertThat(figure(page, "Different names")).isEmpty();
        assertThat(figure(page, "Much")).isEmpty();
        assertThat(table(page, "Rows of the rich").rows()).isEmpty();
        assertThat(table(whole, "Rows of the rich").rows()).isNotEmpty();
        assertThat(figure(page, "Pay")).isEmpty();
        assertThat(figure(page, "Most")).isEmpty();
        assertThat(figure(page, "Rate")).isEmpty();
        assertThat(page.masked()).containsExactly("Born", "Wage", "Who");
        assertThat(page("plain", masked, filters).blocks())
                .isEqualTo(page("plain", plain, filters).blocks());
        assertThat(page("plain", masked, filters).masked()).isEmpty();
    }

    @Test
    void a_page_says_what_it_does_not_show() {
        Slice masked =
                new Slicing(table(new Random(1))).of(new Viewer(new PersonId(1), List.of()).without(List.of("who")));

        Written.Page page =
                Writing.page(page("b", masked, List.of()), Words.in(Locale.ENGLISH), ZoneId.of("Europe/Oslo"));

        assertThat(page.showing()).endsWith(" · Who not shown");
        assertThat(page.tables().get(2).rows().get(0).get(2).text()).isEqualTo(Slice.MASK);
    }

    @Test
    void what_a_page_shows_is_told_beforehand_with_what_is_computed_from_it() {
        assertThat(shown("b")).containsExactly("born", "wage", "who");
        assertThat(shown("plain")).isEmpty();
        assertThat(ShownColumns.of(DEFINITION, DEFINITION.pages().get(1), List.of("hours", "day")))
                .containsExactly("hours");
    }

    private static Set<String> shown(String page) {
        return ShownColumns.of(DEFINITION, of(page), PERSONAL);
    }

    private static Definition.Page of(String page) {
        return DEFINITION.page(page).orElseGet(() -> DEFINITION.pages().get(0));
    }

    private static Optional<BigDecimal> figure(PageModel page, String title) {
        return page.blocks().stream()
                .filter(PageModel.FigureModel.class::isInstance)
                .map(PageModel.FigureModel.class::cast)
                .filter(figure -> figure.title().equals(title))
                .findFirst()
                .orElseThrow()
                .value();
    }

    private static PageModel.TableModel table(PageModel page, String title) {
        return page.blocks().stream()
                .filter(PageModel.TableModel.class::isInstance)
                .map(PageModel.TableModel.class::cast)
                .filter(table -> table.title().equals(title))
                .findFirst()
                .orElseThrow();
    }

    private static PageModel page(String id, Slice slice, List<Filter> filters) {
        Evaluation.Question question = Evaluation.Question.of(
                Period.parse("last-4-weeks").orElseThrow(),
                TODAY.atTime(7, 0).atZone(ZoneOffset.UTC),
                DayOfWeek.MONDAY,
                filters,
                new PageModel.Freshness(Optional.of(TODAY), Instant.EPOCH, 1));
        return Evaluation.page(DEFINITION, of(id), slice, question);
    }

    private static Table table(Random random) {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("day"));
        for (int i = 0; i < 200; i++) {
            rows.add(List.of(
                    TODAY.minusDays(random.nextInt(60)).toString(),
                    List.of("1 Ness", "2 Hovden", "3 Skarv").get(random.nextInt(3)),
                    random.nextInt(9) == 0 ? "" : "Secret " + random.nextInt(5),
                    random.nextInt(9) == 0 ? "" : "777" + (100 + random.nextInt(900)) + ".77",
                    "195" + random.nextInt(9) + "-03-04",
                    String.valueOf(random.nextInt(9))));
        }
        return rows.build();
    }
}
