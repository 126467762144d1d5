package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URLEncoder;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Whatever rows the rules give somebody, at random: no address tells a label of any other, asked once or again. */
class RowsNowhereElseTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("rows-nowhere-else");

    private static final List<String> PERIODS = List.of("last-week", "last-4-weeks", "this-month", "last-year");

    private static Api sunniva;
    private static Api marit;
    private static Api anders;
    private static long mapping;
    private static long clipping;
    private static List<String> routes;

    @BeforeAll
    static void rule() {
        sunniva = DEMO.as("Sunniva Rein");
        marit = DEMO.as("Marit Lunde");
        anders = DEMO.as("Anders Moe");
        routes = RowRulesTest.routes(sunniva);
        mapping = sunniva.post("data-sets", Wishes.mapping("who sees what", "route"))
                .get("id")
                .asLong();
        List<Map<String, Object>> clips = Stream.of("overview b5", "overview b6", "every b2")
                .map(each -> each.split(" "))
                .map(each -> Map.<String, Object>of(
                        "report", 1, "page", each[0], "block", each[1], "period", "last-month", "filters", List.of()))
                .toList();
        clipping = anders.post("clippings", Map.of("name", "Mine", "clips", clips))
                .get("id")
                .asLong();
        give(List.of());
        sunniva.put(
                "data-sets/1/row-rules", Map.of("rules", List.of(Wishes.rule("route", mapping)), "ownerView", false));
    }

    /** All of operations see everything. */
    private static void give(List<String> own) {
        StringBuilder csv = new StringBuilder("who,route\noperations,*\n");
        own.forEach(route ->
                csv.append("anders.moe@brinewater.example,").append(route).append('\n'));
        assertThat(sunniva.upload("data-sets/" + mapping + "/loads", csv.toString())
                        .statusCode())
                .isEqualTo(201);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void no_address_tells_of_rows_that_the_rules_hide(long seed) throws IOException {
        Random random = new Random(seed);
        List<String> own =
                routes.stream().filter(route -> random.nextInt(3) == 0).toList();
        List<String> hidden =
                routes.stream().filter(route -> !own.contains(route)).toList();
        give(own);
        for (String path : paths(random)) {
            // somebody else's answer, that may be kept, in between
            marit.bytes(path);
            for (int time = 0; time < 2; time++) {
                HttpResponse<byte[]> answer = anders.answer("GET", path, null, Map.of());
                assertThat(answer.statusCode()).as(path).isLessThan(500);
                assertThat(said(answer.body())).as("seed %d, %s", seed, path).doesNotContain(hidden);
            }
        }
        assertThat(RowRulesTest.routes(anders)).isEqualTo(own);
        assertThat(notes()).as("shelf, seed %d", seed).doesNotContain(hidden);
        assertThat(said(composed())).as("preview, seed %d", seed).doesNotContain(hidden);
    }

    private static List<String> paths(Random random) {
        List<String> paths = new ArrayList<>(List.of("library", "reports/1/drawing", "candidates?report=1"));
        for (String route : routes) {
            paths.add("library?words=" + encoded(route.substring(2)));
            paths.add("library/hits?words=" + encoded(route.substring(2)));
        }
        for (String page : List.of("overview", "routes", "every")) {
            String cut = "page=" + page + "&period=" + PERIODS.get(random.nextInt(PERIODS.size()));
            paths.add("reports/1?" + cut);
            paths.add("reports/1/file?kind=XLSX&" + cut);
            paths.add("reports/1/rows?" + cut);
            paths.add("reports/1/rows?sort=route&descending=true&" + cut);
            paths.add("reports/1/rows/file?" + cut + "&top=route:3..cancelled");
            paths.add("reports/1/values?column=route&" + cut);
            for (int block = 1; block <= 6; block++) {
                paths.add("reports/1/file?kind=CSV&block=b" + block + "&" + cut);
            }
        }
        paths.add("reports/2?page=routes&period=last-month");
        paths.add("reports/3?period=last-month&contains=route:o&answer=bound:3");
        paths.add("reports/3?page=every&period=last-month&contains=route:o");
        paths.add("reports/5?period=last-month");
        paths.add("clippings/" + clipping);
        return paths;
    }

    /** What the shelf tells of issues' figures; a subscription's sentence is its owner's words, not data. */
    private static String notes() {
        StringBuilder notes = new StringBuilder();
        anders.get("shelf")
                .get("rows")
                .forEach(row -> row.get("spines")
                        .forEach(spine -> notes.append(spine.get("note").asString())));
        return notes.toString();
    }

    private static byte[] composed() {
        Map<String, Object> terms =
                Wishes.of(Wishes.of(Wishes.terms(7), "pages", List.of("overview", "routes")), "period", "last-4-weeks");
        return anders.answer("POST", "compositions", Wishes.draft(terms), Map.of())
                .body();
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    /** As text; a workbook is a folder of texts. */
    private static String said(byte[] answer) throws IOException {
        if (answer.length < 2 || answer[0] != 'P' || answer[1] != 'K') {
            return new String(answer, StandardCharsets.UTF_8);
        }
        StringBuilder all = new StringBuilder();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(answer))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                all.append(new String(zip.readAllBytes(), StandardCharsets.UTF_8));
            }
        }
        return all.toString();
    }
}
