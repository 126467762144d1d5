package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URLEncoder;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Whatever rows the rules give somebody, at random: no address tells a label of any other, asked once or again. */
class RowsNowhereElseTest {
    private static final String DRAFT = """
            report: Mine
            about: What do I see?
            data: sailings
            measures:
              all: {title: Sailings, count: rows}
            pages:
              - page: Overview
                blocks:
                  - {table: route, title: By route, measures: [all]}
            """;

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("rows-nowhere-else");

    private static final long MARIT = 2;
    private static final long ANDERS = 7;

    /** What says nothing of any row: settings, people, words of people, what only the house reads, and the demo's own mail server. */
    private static final Set<String> SILENT = Set.of(
            "account/sessions",
            "approvals",
            "audit",
            "audit.csv",
            "clock",
            "data-sets/{id}/people",
            "data-sets/{id}/sights/{person}",
            "demo/people",
            "folders/{folder}/people/{person}/why",
            "folders/{id}/effect",
            "grants",
            "grants/{folder}/people/{person}/effect",
            "grants/{folder}/{group}/effect",
            "groups",
            "groups/{id}/use",
            "house-rules",
            "invitations/{token}",
            "address-changes/{token}",
            "people/{id}/effect",
            "people/{id}/subscriptions",
            "mail-room",
            "mail-room/{address}",
            "mail-room/{address}/mails/{id}",
            "mail-room/{address}/mails/{id}/attachments/{name}",
            "mail-room/{address}/mails/{id}/source",
            "people",
            "periods",
            "periods/{code}",
            "reports/removed",
            "reports/{id}/definition",
            "reports/{id}/folder/effect",
            "reports/{id}/removal",
            "reports/{id}/versions/{no}",
            "requests",
            "session",
            "set-aside",
            "sources",
            "subscriptions/{id}/handover",
            "subscriptions/{id}/outlook");

    /** Sentences of subscriptions are their owners' words, not data. */
    private static final Pattern OWN_WORDS = Pattern.compile("\"(line|sentence|fullSentence)\":\"[^\"]*\"");

    private static final List<String> PERIODS = List.of("last-week", "last-4-weeks", "this-month", "last-year");

    private static Api sunniva;
    private static Api marit;
    /** Tells of all routes that its reader may see. */
    private static final Map<String, String> LETTER =
            Map.of("subject", "Routes: {value of every route}", "text", "Yours are {value of every route; none}.");

    private static Api anders;
    private static long mapping;
    private static long clipping;
    private static long subscription;
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
        Map<String, Object> all = new HashMap<>(Wishes.named("every route", ""));
        all.putAll(Map.of("kind", "DISTINCT", "dataSet", 1, "column", "route"));
        sunniva.post("named-values", Map.of("folder", 1, "named", all));
        Map<String, Object> terms = Wishes.with(
                Wishes.of(Wishes.terms(MARIT, ANDERS), "pages", List.of("overview", "routes", "every")),
                "letter",
                LETTER);
        subscription = marit.post("subscriptions", Map.of("terms", terms, "start", true))
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
        StringBuilder whole = new StringBuilder();
        for (String path :
                Stream.concat(paths(random).stream(), ofIssue(own.isEmpty())).toList()) {
            // somebody else's answer, that may be kept, in between
            whole.append(said(marit.bytes(path)));
            for (int time = 0; time < 2; time++) {
                HttpResponse<byte[]> answer = anders.answer("GET", path, null, Map.of());
                assertThat(answer.statusCode()).as(path).isLessThan(500);
                assertThat(said(answer.body())).as("seed %d, %s", seed, path).doesNotContain(hidden);
            }
        }
        assertThat(whole).as("who may see all rows is told of them").contains(hidden);
        assertThat(RowRulesTest.routes(anders)).isEqualTo(own);
        for (byte[] answer : posted()) {
            assertThat(said(answer)).as("seed %d", seed).doesNotContain(hidden);
        }
    }

    @Test
    void every_address_is_walked_or_says_nothing_of_rows() {
        List<String> paths = Stream.concat(paths(new Random(1)).stream(), ofIssue(false))
                .map(path -> path.replaceFirst("\\?.*", ""))
                .toList();
        assertThat(Described.operations()
                        .filter(operation -> operation.method().equals("GET"))
                        .map(Described.Operation::path)
                        .filter(path -> !SILENT.contains(path))
                        .filter(path -> paths.stream()
                                .noneMatch(walkedPath -> walkedPath.matches(path.replaceAll("\\{\\w+}", "[^/]+")))))
                .isEmpty();
    }

    /** What one gets of an issue that was just sent to him: its page, its mail, its files. */
    private static Stream<String> ofIssue(boolean seesNothing) {
        long issue = Sends.issue(marit, subscription);
        List<String> paths = new ArrayList<>(List.of(
                "issues/" + issue,
                "runs/" + anders.get("issues/" + issue).get("run").asLong()));
        if (!seesNothing) {
            paths.add("issues/" + issue + "/mail");
            paths.add("issues/" + issue + "/mail.eml");
            anders.get("issues/" + issue)
                    .get("files")
                    .forEach(file -> paths.add(
                            "issues/" + issue + "/files/" + file.get("sha256").asString()));
        }
        return paths.stream();
    }

    private static List<String> paths(Random random) {
        List<String> paths = new ArrayList<>(List.of(
                "library",
                "reports/1/drawing",
                "candidates?report=1",
                "recurrences?rule=FREQ=DAILY",
                "data-sets",
                "data-sets/1",
                "named-values",
                "clippings",
                "reports/1/cuts",
                "reports/data-sets",
                "subscriptions",
                "subscriptions/next",
                "subscriptions/" + subscription,
                "shelf",
                "reports/1?period=last-4-weeks&filter=route:" + encoded("{every route}")));
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

    /** What is shown of what somebody writes or composes. */
    private static List<byte[]> posted() {
        Map<String, Object> pages =
                Wishes.of(Wishes.of(Wishes.terms(7), "pages", List.of("overview", "routes")), "period", "last-4-weeks");
        Map<String, Object> terms = Wishes.with(pages, "letter", LETTER);
        Map<String, Object> tried = new HashMap<>(Wishes.named("x", ""));
        tried.putAll(Map.of("kind", "DISTINCT", "dataSet", 1, "column", "route"));
        Map<String, Object> draft =
                Map.of("folder", 1, "yaml", DRAFT, "page", "", "period", "last-4-weeks", "chartWidth", 600);
        return Stream.of(
                        anders.answer("POST", "compositions", Wishes.draft(terms), Map.of()),
                        anders.answer("POST", "named-values/trials", Map.of("folder", 1, "named", tried), Map.of()),
                        anders.answer("POST", "reports/drafts", draft, Map.of()))
                .map(HttpResponse::body)
                .toList();
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    /** As text; a workbook is a folder of texts, and a mail may have its letters quoted. */
    private static String said(byte[] answer) throws IOException {
        if (answer.length < 2 || answer[0] != 'P' || answer[1] != 'K') {
            String text = OWN_WORDS
                    .matcher(new String(answer, StandardCharsets.UTF_8))
                    .replaceAll("");
            return text.contains("quoted-printable") ? text + unquoted(text) : text;
        }
        StringBuilder all = new StringBuilder();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(answer))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                all.append(new String(zip.readAllBytes(), StandardCharsets.UTF_8));
            }
        }
        return all.toString();
    }

    /** Quoted-printable (RFC 2045 §6.7). */
    private static String unquoted(String text) {
        ByteArrayOutputStream plain = new ByteArrayOutputStream();
        byte[] quoted = text.replaceAll("=\\r?\\n", "").getBytes(StandardCharsets.UTF_8);
        for (int i = 0; i < quoted.length; i++) {
            boolean isCode = quoted[i] == '='
                    && i + 2 < quoted.length
                    && Character.digit(quoted[i + 1], 16) >= 0
                    && Character.digit(quoted[i + 2], 16) >= 0;
            plain.write(
                    isCode ? Character.digit(quoted[i + 1], 16) * 16 + Character.digit(quoted[i + 2], 16) : quoted[i]);
            i += isCode ? 2 : 0;
        }
        return plain.toString(StandardCharsets.UTF_8);
    }
}
