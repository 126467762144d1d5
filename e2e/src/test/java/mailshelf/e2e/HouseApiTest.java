package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Signing in, people, groups, folders, grants, data and reports: what is done and what is refused. */
class HouseApiTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("house");

    private static Api administrator;
    private static Api ida;

    @BeforeAll
    static void start() {
        administrator = DEMO.as("Sunniva Rein");
        ida = DEMO.as("Ida Solvang");
    }

    @Test
    void a_stranger_is_told_to_sign_in_and_sees_nothing() {
        Api stranger = Api.stranger(DEMO.server());
        Api.Refusal refusal = stranger.refused("GET", "library", null);
        assertThat(refusal.status()).isEqualTo(401);
        assertThat(refusal.says())
                .isEqualTo("You are not signed in. Nothing was shown or changed. Sign in and try again.");
        assertThat(stranger.get("session").get("me").isNull()).isTrue();
    }

    @Test
    void a_wrong_password_says_the_same_for_a_known_and_an_unknown_address_and_is_slowed_down() {
        Api stranger = Api.stranger(DEMO.server());
        String known = wrong(stranger, "ida.solvang@brinewater.example").says();
        assertThat(wrong(stranger, "nobody@brinewater.example").says()).isEqualTo(known);
        Api.Refusal last = null;
        for (int i = 0; i < 6; i++) {
            last = wrong(stranger, "jon.aasen@brinewater.example");
        }
        assertThat(last.status()).isEqualTo(429);
        assertThat(last.says()).contains("too many wrong passwords");
    }

    private static Api.Refusal wrong(Api stranger, String address) {
        return stranger.refused("POST", "session", Map.of("address", address, "password", "guessed by nobody"));
    }

    @Test
    void the_browser_keeps_what_never_changes_and_no_figures() throws Exception {
        String page = text("/").body();
        Matcher script = Pattern.compile("/assets/[^\"]+\\.js").matcher(page);
        assertThat(script.find()).isTrue();
        assertThat(text(script.group()).headers().firstValue("Cache-Control"))
                .hasValueSatisfying(kept -> assertThat(kept).contains("immutable", "max-age=31536000"));
        for (String address : new String[] {"/", "/api/v1/session"}) {
            assertThat(text(address).headers().firstValue("Cache-Control"))
                    .hasValueSatisfying(kept -> assertThat(kept).contains("no-store"));
        }
    }

    @Test
    void other_programs_are_told_by_headers_what_they_may_do_next() {
        var notAllowed = ida.answer("DELETE", "library", null, Map.of());
        assertThat(notAllowed.headers().firstValue("Allow"))
                .hasValueSatisfying(allowed -> assertThat(allowed).contains("GET"));
        assertThat(Api.json(notAllowed).get("type").asString()).endsWith(":request.refused");
        var nobody = Api.stranger(DEMO.server()).answer("GET", "library", null, Map.of());
        assertThat(nobody.headers().firstValue("WWW-Authenticate"))
                .hasValueSatisfying(way -> assertThat(way).startsWith("Session "));
        var edited = ida.answer("GET", "subscriptions/1", null, Map.of());
        assertThat(edited.headers().firstValue("ETag"))
                .hasValue("\"" + Api.json(edited).get("version").asInt() + "\"");
        assertThat(ida.answer("GET", "reports/1/file?kind=CSV", null, Map.of("Accept-Encoding", "gzip"))
                        .headers()
                        .firstValue("Content-Encoding"))
                .hasValue("gzip");
    }

    @Test
    void a_file_of_an_issue_is_kept_by_the_browser_that_fetched_it_and_given_in_parts() {
        JsonNode issue = ida.get("subscriptions/1").get("line").get("spines").get(0);
        String file = ida.get("issues/" + issue.get("id").asLong())
                .get("files")
                .get(0)
                .get("sha256")
                .asString();
        String path = "issues/" + issue.get("id").asLong() + "/files/" + file;
        var whole = ida.answer("GET", path, null, Map.of());
        var headers = whole.headers();
        assertThat(headers.firstValue("Cache-Control")).hasValue("max-age=31536000, private, immutable");
        assertThat(headers.allValues("Vary")).as("not for who signs in next").contains("Cookie");
        assertThat(headers.firstValue("ETag")).hasValue("\"" + file + "\"");
        var part = ida.answer("GET", path, null, Map.of("Range", "bytes=0-3"));
        assertThat(part.statusCode()).isEqualTo(206);
        assertThat(new String(part.body())).isEqualTo(new String(whole.body()).substring(0, 4));
        assertThat(ida.answer("GET", path, null, Map.of("If-None-Match", "\"" + file + "\""))
                        .statusCode())
                .isEqualTo(304);
    }

    private static HttpResponse<String> text(String address) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(URI.create(DEMO.server().url() + address))
                .build();
        return HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void a_change_without_the_pages_token_is_refused_and_changes_nothing() {
        HttpResponse<byte[]> answer = ida.answer("POST", "clock/next-send", null, Map.of(), "a token of somebody else");
        assertThat(answer.statusCode()).isEqualTo(403);
        assertThat(new String(answer.body())).contains("request.forged");
    }

    @Test
    void the_session_ends_when_one_signs_out() {
        Api rita = DEMO.as("Rita Bø");
        assertThat(rita.status("shelf")).isEqualTo(200);
        rita.delete("session");
        assertThat(rita.status("shelf")).isEqualTo(401);
    }

    @Test
    void only_administrators_mind_the_house() {
        assertThat(ida.refused("GET", "groups", null).code()).isEqualTo("house.readers-only");
        for (String path : List.of("people", "grants", "requests")) {
            assertThat(ida.refused("GET", path, null).code()).as(path).isEqualTo("house.managers-only");
        }
        assertThat(ida.refused("PUT", "grants/1/2", Map.of("verbs", List.of("SEE")))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void all_faults_of_a_form_are_told_together() {
        Api.Refusal refusal = administrator.refused(
                "POST",
                "people",
                Map.of("name", " ", "address", "no address", "zone", "Europe/Oslo", "roles", List.of()));
        assertThat(refusal.code()).isEqualTo("person.bad-fields");
        assertThat(refusal.document().get("faults")).hasSize(2);
        assertThat(administrator
                        .refused(
                                "POST",
                                "people",
                                Map.of(
                                        "name", "Ida again",
                                        "address", "IDA.solvang@brinewater.example",
                                        "zone", "Europe/Oslo",
                                        "roles", List.of()))
                        .code())
                .isEqualTo("person.address-taken");
    }

    @Test
    void an_administrator_cannot_lock_himself_out() {
        long me = administrator.get("session").get("me").get("id").asLong();
        Map<String, Object> change =
                Map.of("name", "Sunniva Rein", "zone", "Europe/Oslo", "roles", List.of(), "active", true);
        assertThat(administrator.refused("PUT", "people/" + me, change).code()).isEqualTo("person.not-yourself");
    }

    @Test
    void somebody_deactivated_is_out_at_once() {
        Api kirsti = DEMO.as("Kirsti Vale");
        long id = kirsti.get("session").get("me").get("id").asLong();
        Map<String, Object> away =
                Map.of("name", "Kirsti Vale", "zone", "Europe/Oslo", "roles", List.of(), "active", false);
        administrator.put("people/" + id, away);
        assertThat(kirsti.status("shelf")).isEqualTo(401);
        assertThat(Api.stranger(DEMO.server())
                        .refused("POST", "demo/sign-in", Map.of("person", id))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void a_folder_takes_what_the_one_above_gives_until_it_says_otherwise() {
        long within = administrator
                .post("folders", Map.of("name", "Storms", "parent", 1))
                .get("id")
                .asLong();
        assertThat(cell(within, 2).get("own").asBoolean()).isFalse();
        assertThat(cell(within, 2).get("verbs").toString()).contains("SUBSCRIBE_SELF");

        administrator.put("grants/" + within + "/2", Map.of("verbs", List.of()));
        assertThat(cell(within, 2).get("own").asBoolean()).isTrue();
        assertThat(cell(within, 2).get("verbs")).isEmpty();
        long report = administrator
                .post("reports", Map.of("folder", within, "yaml", yaml("Storm weeks")))
                .get("id")
                .asLong();
        assertThat(ida.status("reports/" + report)).isEqualTo(404);
        assertThat(ida.get("library?words=storm").get("entries")).isEmpty();

        java.util.HashMap<String, Object> asAbove = new java.util.HashMap<>();
        asAbove.put("verbs", null);
        administrator.put("grants/" + within + "/2", asAbove);
        assertThat(ida.status("reports/" + report)).isEqualTo(200);
        assertThat(ida.get("library?words=storm").get("entries")).hasSize(1);
    }

    private static JsonNode cell(long folder, long group) {
        return administrator
                .get("grants")
                .get("cells")
                .valueStream()
                .filter(cell -> cell.get("folder").asLong() == folder
                        && cell.get("group").asLong() == group)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void names_are_taken_once() {
        administrator.post("groups", Map.of("name", "Harbour"));
        assertThat(administrator
                        .refused("POST", "groups", Map.of("name", "Harbour"))
                        .code())
                .isEqualTo("group.name-taken");
        assertThat(administrator.refused("POST", "groups", Map.of("name", "")).code())
                .isEqualTo("group.bad-name");
        Map<String, Object> folder = new java.util.HashMap<>(Map.of("name", ""));
        folder.put("parent", null);
        assertThat(administrator.refused("POST", "folders", folder).code()).isEqualTo("folder.bad-name");
    }

    @Test
    void a_report_that_cannot_be_read_is_refused_with_line_and_column() {
        Api.Refusal refusal = administrator.refused(
                "POST",
                "reports",
                Map.of("folder", 1, "yaml", yaml("Broken").replace("figure: sailings", "figure: saillings")));
        assertThat(refusal.status()).isEqualTo(422);
        assertThat(refusal.code()).isEqualTo("report.not-readable");
        assertThat(refusal.document().get("faults").toString())
                .contains("line 9")
                .contains("saillings");
    }

    @Test
    void rows_that_do_not_fit_are_named_and_the_last_good_load_stays() {
        long id = dataSet("comments");
        load(id, "date,route,score\n2026-11-20,1 Ness–Hovden,4\n");
        JsonNode good = newest("comments");
        assertThat(good.get("rows").asLong()).isEqualTo(1);

        HttpResponse<byte[]> refused =
                administrator.upload("data-sets/" + id + "/loads", "date,route,score\nyesterday,x,4\n");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(new String(refused.body()))
                .contains("data.bad-rows")
                .contains("line 2")
                .contains("yesterday");
        assertThat(administrator
                        .upload("data-sets/" + id + "/loads", "date,route\n")
                        .statusCode())
                .isEqualTo(422);
        assertThat(newest("comments")).isEqualTo(good);
        load(id, "date,route,score\n2026-11-21,1 Ness–Hovden,2\n2026-11-21,2 Hovden–Skarv,5\n");
        assertThat(newest("comments").get("no").asInt()).isEqualTo(2);
    }

    private static long dataSet(String name) {
        return administrator
                .post("data-sets", Wishes.dataSet(1, name, "date DATE", "route TEXT", "score NUMBER"))
                .get("id")
                .asLong();
    }

    private static void load(long dataSet, String csv) {
        assertThat(administrator.upload("data-sets/" + dataSet + "/loads", csv).statusCode())
                .isEqualTo(201);
    }

    private static JsonNode newest(String name) {
        return administrator
                .get("data-sets")
                .valueStream()
                .filter(set -> set.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("newestLoad");
    }

    @Test
    void a_reader_is_told_what_an_address_lacks() {
        assertThat(ida.refused("GET", "reports/1?period=someday", null).code()).isEqualTo("request.bad-parameter");
        assertThat(ida.refused("GET", "reports/one", null).code()).isEqualTo("request.bad-parameter");
        assertThat(ida.refused("GET", "reports/1?filter=captain:Ahab", null).code())
                .isEqualTo("report.bad-filter");
        assertThat(ida.refused("GET", "reports/1?page=nowhere", null).status()).isEqualTo(404);
        assertThat(ida.refused("GET", "nowhere", null).status()).isEqualTo(404);
        assertThat(ida.refused("DELETE", "library", null).status()).isEqualTo(405);
    }

    @Test
    void a_period_and_a_filter_cut_every_figure_of_the_page() {
        JsonNode all = page("period=last-4-weeks");
        JsonNode one = page("period=last-4-weeks&filter=route:3%20Sandvoll%E2%80%93Ness");
        assertThat(one.get("showing").asString()).contains("the last 4 weeks");
        assertThat(one.get("tables").get(0).get("rows")).hasSize(1);
        assertThat(one.get("figures").get(0).get("value").asString())
                .isEqualTo(one.get("tables")
                        .get(0)
                        .get("rows")
                        .get(0)
                        .get(2)
                        .get("text")
                        .asString())
                .isNotEqualTo(all.get("figures").get(0).get("value").asString());
    }

    private static JsonNode page(String query) {
        return ida.get("reports/1?" + query).get("shown").get("page");
    }

    private static String yaml(String title) {
        return """
                report: %s
                about: What the wind did.
                data: sailings
                measures:
                  sailings: {title: Sailings, count: rows, good: more}
                pages:
                  - page: Overview
                    blocks:
                      - {figure: sailings, title: Sailings, trend: 12 weeks}
                """.formatted(title);
    }
}
