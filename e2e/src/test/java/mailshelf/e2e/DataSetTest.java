package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** CSV as office programs write it is found out and loaded, or refused in words with nothing changed. */
class DataSetTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("data-sets");

    private static final String LANDINGS = "day;route;amount\n24.11.2026;Ytre Bø;1.234,50\n25.11.2026;Hovden;-7,5\n";
    private static final byte[] OF_AN_OFFICE = LANDINGS.getBytes(Charset.forName("windows-1252"));

    private static final String REPORT = """
            report: Quays
            about: What was landed where.
            data: quays
            measures:
              landed: {title: Landed, sum: amount}
            pages:
              - page: All
                blocks:
                  - {figure: landed}
            """;

    private static Api sunniva;

    @BeforeAll
    static void sign_in() {
        sunniva = DEMO.as("Sunniva Rein");
    }

    @Test
    void a_file_is_looked_at_before_anything_is_kept() {
        int before = sunniva.get("data-sets").size();

        JsonNode seen = json(sunniva.upload("data-sets/inspections?folder=1", OF_AN_OFFICE));

        JsonNode form = seen.get("file");
        assertThat(form.get("charset").asString()).isEqualTo("windows-1252");
        assertThat(form.get("separator").asString()).isEqualTo(";");
        assertThat(form.get("decimalMark").asString()).isEqualTo("COMMA");
        assertThat(seen.get("columns")
                        .valueStream()
                        .map(found -> found.get("column").get("type").asString()))
                .containsExactly("DATE", "TEXT", "NUMBER");
        assertThat(seen.get("firstRows")
                        .get(0)
                        .valueStream()
                        .map(cell -> cell.get("text").asString()))
                .containsExactly("2026-11-24", "Ytre Bø", "1234.50");
        assertThat(sunniva.get("data-sets").size()).isEqualTo(before);
    }

    @Test
    void it_is_loaded_as_it_was_seen() {
        long id = dataSet("landings");

        JsonNode load = json(sunniva.upload("data-sets/" + id + "/loads", OF_AN_OFFICE));

        assertThat(load.get("rows").asLong()).isEqualTo(2);
        assertThat(load.get("figuresTo").asString()).isEqualTo("2026-11-25");
        // the same rows written plainly are the same load
        JsonNode plain = json(sunniva.upload(
                "data-sets/" + id + "/loads",
                "day,route,amount\n2026-11-24,Ytre Bø,1234.50\n2026-11-25,Hovden,-7.50\n"));
        assertThat(plain.get("sha256")).isEqualTo(load.get("sha256"));
    }

    @Test
    void days_that_can_be_read_in_two_ways_have_to_be_settled() {
        long id = dataSet("crossings");
        String path = "data-sets/" + id + "/loads";
        String csv = "day,route,amount\n3/4/2026,Ness,1\n5/6/2026,Ness,2\n";

        HttpResponse<byte[]> asked = sunniva.upload(path, csv);

        assertThat(asked.statusCode()).isEqualTo(422);
        assertThat(new String(asked.body())).contains("data.ambiguous-dates").contains("“day”");
        assertThat(json(sunniva.upload(path + "?dates=MONTH_FIRST", csv))
                        .get("figuresTo")
                        .asString())
                .isEqualTo("2026-05-06");
        assertThat(json(sunniva.upload(path + "?dates=DAY_FIRST", csv))
                        .get("figuresTo")
                        .asString())
                .isEqualTo("2026-06-05");
    }

    @Test
    void a_row_with_the_other_decimal_mark_is_named_and_nothing_is_loaded() {
        long id = dataSet("fares");

        HttpResponse<byte[]> refused = sunniva.upload(
                "data-sets/" + id + "/loads",
                "day;route;amount\n24.11.2026;Ness;1,5\n24.11.2026;Ness;2,5\n25.11.2026;Ness;12.5\n");

        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(new String(refused.body())).contains("line 4, column amount").contains("12.5");
    }

    @Test
    void a_load_that_loses_most_rows_or_repeats_them_waits_for_somebody_to_confirm_it() {
        long id = dataSet("moorings");
        String path = "data-sets/" + id + "/loads";
        StringBuilder year = new StringBuilder("day,route,amount\n");
        for (int i = 0; i < 300; i++) {
            year.append(LocalDate.of(2026, 1, 1).plusDays(i))
                    .append(",Ness,")
                    .append(i)
                    .append('\n');
        }
        json(sunniva.upload(path, year.toString()));

        Api.Refusal cut = Api.refusal(sunniva.upload(path, year.substring(0, year.indexOf("\n", 1000) + 1)));
        assertThat(cut.code()).isEqualTo("data.loses-rows");
        assertThat(Api.refusal(sunniva.upload(path, "day,route,amount\n")).code())
                .isEqualTo("data.loses-rows");
        assertThat(Api.refusal(sunniva.upload(path + "?mode=APPEND", year.toString()))
                        .code())
                .isEqualTo("data.repeats-rows");
        JsonNode line = sunniva.get("data-sets/" + id).get("line");
        assertThat(line.get("newestLoad").get("rows").asLong()).isEqualTo(300);
        assertThat(line.get("failure").asString()).contains("each of its 300 rows is there already");

        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/data/" + id);
        reader.page
                .locator("input[type=file]")
                .setInputFiles(new FilePayload(
                        "cut.csv",
                        "text/csv",
                        "day,route,amount\n2026-11-24,Ness,1\n".getBytes(StandardCharsets.UTF_8)));
        reader.button("Load it anyway").click();
        PlaywrightAssertions.assertThat(reader.page.getByText("1 row is loaded."))
                .isVisible();
    }

    @Test
    void a_day_that_nobody_can_have_figures_of_is_pointed_out_and_the_rows_before_can_be_put_back() {
        long id = dataSet("tides");
        String path = "data-sets/" + id + "/loads";
        json(sunniva.upload(path, "day,route,amount\n2026-11-24,Ness,1.00\n2026-11-25,Ness,2.00\n"));
        json(sunniva.upload(path, "day,route,amount\n2026-11-24,Ness,1.00\n2062-11-25,Ness,2.00\n"));

        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/data/" + id);
        var warning = reader.page.getByText("which is later than tomorrow");
        PlaywrightAssertions.assertThat(warning).containsText("2062");
        reader.page.getByText("use these rows again").click();

        PlaywrightAssertions.assertThat(reader.page.getByText("are in use again"))
                .isVisible();
        PlaywrightAssertions.assertThat(warning).isHidden();
        JsonNode line = sunniva.get("data-sets/" + id).get("line");
        assertThat(line.get("newestLoad").get("figuresTo").asString()).isEqualTo("2026-11-25");
        assertThat(line.get("newestLoad").get("no").asInt()).isEqualTo(3);
        assertThat(sunniva.get("audit?words=tides").toString()).contains("2 rows, load 3, with the rows of load 1");
        assertThat(sunniva.refused("POST", path + "/3/again", null).code()).isEqualTo("data.load-in-use");
        assertThat(sunniva.refused("POST", path + "/9/again", null).status()).isEqualTo(404);
    }

    @Test
    void how_many_rows_a_load_may_lose_is_the_publishers_to_say() {
        long id = dataSet("ferrymen");
        String path = "data-sets/" + id + "/loads";
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/data/" + id);
        reader.button("change where they come from, when, and what is held back")
                .click();
        reader.page.getByLabel("A load waits to be confirmed").fill("10");
        reader.button("Keep it so").click();
        PlaywrightAssertions.assertThat(reader.page.getByText("loses more than 10 % of the rows"))
                .isVisible();
        assertThat(sunniva.get("audit?words=ferrymen").toString()).contains("a load may lose 10 % of the rows");

        String five = "day,route,amount\n"
                + "2026-11-24,Ness,1.00\n2026-11-24,Bø,1.00\n2026-11-24,Skarv,1.00\n2026-11-24,Hovden,1.00\n";
        json(sunniva.upload(path, five));
        String fewer = five.substring(0, five.lastIndexOf("2026"));
        assertThat(Api.refusal(sunniva.upload(path, fewer)).code()).isEqualTo("data.loses-rows");
        assertThat(json(sunniva.upload(path + "?confirmed=true", fewer))
                        .get("rows")
                        .asInt())
                .isEqualTo(3);
    }

    @Test
    void a_failed_load_keeps_the_one_before_and_is_told_at_the_data_in_its_reports_and_to_its_owner() {
        long pia = Staff.hired(sunniva, "Pia Publisher");
        Staff.granted(sunniva, pia, 2, "PUBLISH");
        Api publisher = DEMO.as("Pia Publisher");
        long id = sunniva.post("data-sets", Wishes.dataSet(2, "quays", "day DATE", "route TEXT", "amount NUMBER"))
                .get("id")
                .asLong();
        json(sunniva.upload("data-sets/" + id + "/loads", "day,route,amount\n2026-11-24,Ness,1.00\n"));
        long report = sunniva.post("reports", Map.of("folder", 2, "yaml", REPORT))
                .get("id")
                .asLong();
        assertThat(sunniva.get("reports/" + report).get("warning").asString()).isEmpty();

        publisher.upload("data-sets/" + id + "/loads", "day,route,amount\n2026-11-25,Ness,much\n");

        JsonNode told = sunniva.get("data-sets/" + id);
        assertThat(told.get("line").get("failure").asString()).contains("line 2, column amount");
        assertThat(told.get("line").get("newestLoad").get("rows").asLong()).isEqualTo(1);
        assertThat(told.get("attempts")).hasSize(2);
        assertThat(told.get("attempts").get(0).get("by").asString()).isEqualTo("Pia Publisher");
        assertThat(sunniva.get("reports/" + report).get("warning").asString())
                .startsWith("The load of ")
                .contains("line 2, column amount");
        Wait.until(
                "the owner is told by mail",
                () -> sunniva.get("mail-room/sunniva.rein@brinewater.example")
                        .toString()
                        .contains("“quays” could not be loaded"));

        json(publisher.upload("data-sets/" + id + "/loads?mode=APPEND", "day,route,amount\n2026-11-25,Ness,2.00\n"));
        assertThat(sunniva.get("reports/" + report).get("warning").asString()).isEmpty();
        assertThat(sunniva.get("data-sets/" + id)
                        .get("attempts")
                        .get(0)
                        .get("more")
                        .asLong())
                .isEqualTo(1);
    }

    @Test
    void eight_megabytes_are_looked_at_in_the_browser_and_kept_whole() {
        StringBuilder rows = new StringBuilder("day,berth,boats\n");
        int many = 0;
        for (; rows.length() < 8_000_000; many++) {
            rows.append("2026-11-")
                    .append(10 + many % 20)
                    .append(",Berth ")
                    .append(many % 300)
                    .append(",7\n");
        }
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/data/new");
        reader.page
                .getByLabel("Drop a CSV file here")
                .setInputFiles(new FilePayload(
                        "many berths.csv", "text/csv", rows.toString().getBytes(StandardCharsets.UTF_8)));
        PlaywrightAssertions.assertThat(reader.page
                        .getByText("Berth 7", new Page.GetByTextOptions().setExact(true))
                        .first())
                .isVisible();
        reader.button("Keep data set").click();
        PlaywrightAssertions.assertThat(reader.page.getByText(
                        "%,d".formatted(many).replace(",", "\u202f") + " rows, figures to Sun 29 Nov"))
                .isVisible();
    }

    @Test
    void a_publisher_drops_a_file_corrects_its_types_and_keeps_it(@TempDir Path folder) throws IOException {
        Path file =
                Files.writeString(folder.resolve("berths.csv"), "day,berth,boats\n3/4/2026,007,1\n5/6/2026,008,two\n");
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.open("Library");
        reader.link("Data sets").click();
        reader.link("New data set").click();
        reader.page.getByLabel("Drop a CSV file here").setInputFiles(file);

        reader.page.getByLabel("Type of boats").selectOption("NUMBER");
        PlaywrightAssertions.assertThat(reader.page.getByText("1 value does not fit"))
                .isVisible();
        reader.page.getByLabel("Type of boats").selectOption("TEXT");
        reader.page.getByLabel("month first, 11/25/2026").check();
        PlaywrightAssertions.assertThat(reader.page.getByText("2026-03-04")).isVisible();
        reader.button("Keep data set").click();

        PlaywrightAssertions.assertThat(reader.page.getByText("2 rows, figures to Wed 6 May"))
                .isVisible();
        JsonNode kept = sunniva.get("data-sets")
                .valueStream()
                .filter(line -> line.get("name").asString().equals("berths"))
                .findFirst()
                .orElseThrow();
        assertThat(kept.get("newestLoad").get("figuresTo").asString()).isEqualTo("2026-05-06");

        reader.link("write one").click();
        PlaywrightAssertions.assertThat(reader.page.locator(".cm-content")).containsText("data: berths");
    }

    @Test
    void row_rules_are_set_and_looked_up_on_the_page_of_the_data() {
        long piers = dataSet("piers");
        json(sunniva.upload(
                "data-sets/" + piers + "/loads", "day,route,amount\n2026-11-24,Ness,1.00\n2026-11-24,Skarv,2.00\n"));
        long keepers = sunniva.post("data-sets", Wishes.mapping("keepers", "pier"))
                .get("id")
                .asLong();
        json(sunniva.upload(
                "data-sets/" + keepers + "/loads",
                "who,pier\nida.solvang@brinewater.example,Ness\nnobody here,Hovden\n"));
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/data/" + piers);

        reader.button("Rule who sees which rows").click();
        reader.page.getByLabel("is given by the mapping table").selectOption("keepers");
        reader.page.getByLabel("to the one named in").selectOption("who");
        reader.page.getByLabel("its column of values (* for all)").selectOption("pier");
        reader.button("Keep rules").click();

        PlaywrightAssertions.assertThat(reader.page.getByText("No row has Hovden."))
                .isVisible();
        PlaywrightAssertions.assertThat(
                        reader.page.getByText("nobody here: neither the address of a person nor the name of a group."))
                .isVisible();
        reader.field("Person").selectOption("Ida Solvang");
        PlaywrightAssertions.assertThat(reader.page.getByText("Sees 1 of 2 rows."))
                .isVisible();
    }

    private static long dataSet(String name) {
        return sunniva.post("data-sets", Wishes.dataSet(1, name, "day DATE", "route TEXT", "amount NUMBER"))
                .get("id")
                .asLong();
    }

    private static JsonNode json(HttpResponse<byte[]> answer) {
        assertThat(answer.statusCode()).as(new String(answer.body())).isLessThan(300);
        return new ObjectMapper().readTree(answer.body());
    }

    @Test
    void an_issue_over_figures_that_were_to_be_newer_says_so() {
        Api marit = DEMO.as("Marit Lunde");
        long subscription = marit.post("subscriptions", Map.of("terms", Wishes.terms(2), "start", true))
                .get("id")
                .asLong();
        long fresh = Sends.issue(marit, subscription);

        assertThat(sunniva.upload("data-sets/1/loads", "date\nnone\n").statusCode())
                .isEqualTo(422);
        long stale = Sends.issue(marit, subscription);

        assertThat(marit.get("issues/" + fresh).toString()).doesNotContain("; the load of");
        assertThat(marit.get("issues/" + stale)
                        .get("shown")
                        .get("page")
                        .get("freshness")
                        .asString())
                .matches("figures to .*, loaded .*; the load of .* failed");
        assertThat(marit.get("issues/" + stale + "/mail").toString()).contains("; the load of");
        JsonNode composed = marit.post("compositions", Wishes.draft(Wishes.terms(2)));
        assertThat(composed.get("mail").get("text").asString()).contains("; the load of");
        assertThat(marit.get("reports/1").get("freshness").asString())
                .as("the reader says it beside")
                .doesNotContain("failed");
        assertThat(DEMO.as("Ida Solvang").get("reports/1").toString())
                .as("what was in the file is not for readers")
                .contains("You see the figures from before it.")
                .doesNotContain("the first line lacks");
        assertThat(sunniva.get("reports/1").toString()).contains("the first line lacks route");
    }
}
