package mailshelf.render.mail;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import mailshelf.core.data.Filter;
import mailshelf.core.letter.Letter;
import mailshelf.core.report.Ferries;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.picture.PagePicture;
import org.junit.jupiter.api.Test;

class MailBodyTest {
    private static final Words ENGLISH = Words.in(Locale.ENGLISH);

    @Test
    void html_and_text_say_the_same_figures() throws Exception {
        Written.Page page = page(1, List.of());
        MailBody body = body(page);
        Files.writeString(Path.of("target/mail.html"), body.html());
        Files.write(Path.of("target/page.png"), PagePicture.of(page, ENGLISH));

        String html = read(body.html());
        for (Written.Figure figure : page.figures()) {
            assertThat(html).contains(figure.value());
            assertThat(body.text()).contains(figure.title() + ": " + figure.value());
        }
        page.tables()
                .get(0)
                .rows()
                .forEach(row -> row.forEach(cell -> {
                    assertThat(html).contains(">" + cell.text() + "<");
                    assertThat(body.text()).contains(cell.text());
                }));
    }

    @Test
    void the_html_is_ascii_in_lines_that_any_mail_server_takes() {
        String html = body(page(2, List.of(Filter.anyOf("route", List.of("3 Sandvoll–Ness \ud83d\udea2")))))
                .html();

        assertThat(html).matches("\\p{ASCII}*").contains("&#128674;");
        assertThat(html.lines().mapToInt(String::length).max().orElseThrow()).isLessThan(998);
    }

    /** As a mail program reads it: signs by their numbers are those signs. */
    private static String read(String html) {
        return Pattern.compile("&#(\\d+);")
                .matcher(html)
                .replaceAll(number -> Character.toString(Integer.parseInt(number.group(1))));
    }

    @Test
    void it_says_who_put_the_reader_on_the_list_and_how_to_leave() {
        MailBody body = body(page(1, List.of()));

        assertThat(body.html())
                .contains("Marit Lunde put you on this list.")
                .contains("https://shelf.example/leave/t0k3n");
        assertThat(body.text()).contains("https://shelf.example/leave/t0k3n");
    }

    @Test
    void a_long_table_is_cut_and_says_where_the_rest_is() {
        MailBody body = body(page(2, List.of()));

        assertThat(body.html()).contains("The first 40 of").contains("in the PDF");
        assertThat(body.text()).contains("The first 40 of");
    }

    @Test
    void a_chart_of_many_weeks_shows_the_last_and_says_so() {
        Written.Page page = page(1, List.of());
        Written.Chart chart = page.charts().stream()
                .filter(each -> each.overTime() && each.categories().size() > 8)
                .findFirst()
                .orElseThrow();
        MailBody body = body(page);
        String note = "The last 8 of " + chart.categories().size() + "; all of them are in the PDF.";

        assertThat(body.html()).contains(note);
        assertThat(body.text()).contains(note);
    }

    @Test
    void the_report_is_named_above_its_page() {
        Written.Page page = page(1, List.of());
        MailBody body = body(page);

        assertThat(page.report()).isNotEqualTo(page.title());
        assertThat(read(body.html())).containsSubsequence(page.report(), page.title(), page.showing());
        assertThat(body.text()).startsWith(page.report() + "\n" + page.title());
    }

    @Test
    void mail_programs_show_all_of_it_however_many_tables_it_has() {
        Written.Page page = page(2, List.of());
        Written.Table table = page.tables().get(0);
        List<Written.Table> many = IntStream.range(0, 12)
                .mapToObj(i -> new Written.Table(
                        "many" + i,
                        table.title(),
                        table.heads(),
                        true,
                        List.of(),
                        table.count(),
                        table.rows(),
                        table.total(),
                        table.note()))
                .toList();
        MailBody body = body(new Written.Page(
                page.report(),
                page.id(),
                page.title(),
                1,
                page.showing(),
                page.freshness(),
                page.rows(),
                List.of(),
                List.of(),
                many,
                List.of(),
                List.of(),
                many.stream().map(Written.Table::id).toList()));

        assertThat(body.html()).hasSizeLessThan(100_000).contains("leave/t0k3n").contains("The first 10 of");
        assertThat(body.text()).contains("The first 10 of");
    }

    @Test
    void markup_in_data_stays_text() {
        PageModel model =
                Ferries.page(1, "last-week", List.of(Filter.anyOf("route", List.of("<img src=x onerror=alert(1)>"))));

        String html = body(Writing.page(model, ENGLISH, ZoneId.of("UTC"))).html();

        assertThat(html).doesNotContain("<img src=x").contains("&lt;img src=x");
    }

    @Test
    void the_words_of_its_owner_stand_before_the_figures_line_by_line() {
        MailBody body = body(page(1, List.of()), "Good morning,\nall <well>?\n\nMarit");

        assertThat(body.html())
                .contains("Good morning,<br>\nall &lt;well&gt;?</p>")
                .containsSubsequence(">Marit</p>", "<h1");
        assertThat(body.text()).startsWith("Good morning,\nall <well>?\n\nMarit\n\n");
        assertThat(body(page(1, List.of())).html()).doesNotContain("<br>");
    }

    private static Written.Page page(int number, List<Filter> filters) {
        String period = number == 1 ? "last-week" : "2026-02-01/2026-11-24";
        return Writing.page(Ferries.page(number, period, filters), ENGLISH, ZoneId.of("Europe/Oslo"));
    }

    private static MailBody body(Written.Page page) {
        return body(page, "");
    }

    private static MailBody body(Written.Page page, String text) {
        Letter letter = new Letter(
                "Cancelled: No. 48",
                text,
                "Marit Lunde",
                "marit@brinewater.example",
                "Ida Solvang",
                "ida@brinewater.example",
                "s12.shelf.example",
                "Cancelled",
                "<d1@shelf.example>",
                Instant.parse("2026-11-23T06:00:00Z"),
                "Marit Lunde put you on this list.",
                "Issue No. 48, made Mon 23 Nov, 06:58",
                "https://shelf.example/issues/48",
                "https://shelf.example/reports/1",
                "https://shelf.example/leave/t0k3n",
                "9f3c");
        return MailBody.of(new MailContent(letter, page, List.of("Every sailing"), true, "", ENGLISH));
    }
}
