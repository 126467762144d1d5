package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/** Every route of the API, asked by people with and without a right to it. */
class RoutesTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("routes");

    /**
     * Route, an example of it, and what it answers: to nobody; to somebody who may publish and subscribe others, in
     * another folder; to one who may only see this one and is on no list; to one who may subscribe himself and is on the
     * list; to one who may publish here; to an auditor; to an administrator. A dash is not tried, as it would change what
     * others ask.
     */
    private static final String TABLE = """
            PUT /account/calendar | account/calendar | 401 204 204 204 204 204 204
            PUT /account/password | account/password | 401 422 422 422 422 422 422
            GET /account/sessions | account/sessions | 401 200 200 200 200 200 200
            DELETE /account/sessions/{id} | account/sessions/0 | 401 404 404 404 404 404 404
            GET /approvals | approvals | 401 403 403 403 403 200 200
            POST /approvals/{id}/answer | approvals/999999/answer | 401 403 403 403 403 403 404
            GET /audit | audit | 401 403 403 403 403 200 200
            GET /audit.csv | audit.csv | 401 403 403 403 403 200 200
            GET /clock | clock | 401 200 200 200 200 200 200
            GET /clippings | clippings | 401 200 200 200 200 200 200
            POST /clippings | clippings | 401 422 422 422 422 422 422
            GET /clippings/{id} | clippings/999999 | 401 404 404 404 404 404 404
            PUT /clippings/{id} | clippings/999999 | 401 404 404 404 404 404 404
            DELETE /clippings/{id} | clippings/999999 | 401 404 404 404 404 404 404
            POST /clippings/{id}/clips | clippings/999999/clips | 401 404 404 404 404 404 404
            POST /clock/move | clock/move | 401 - - - - - -
            POST /clock/next-send | clock/next-send | 401 - - - - - -
            POST /compositions | compositions | 401 404 200 200 200 200 200
            POST /compositions/pdf | compositions/pdf | 401 404 200 200 200 200 200
            GET /data-sets | data-sets | 401 200 200 200 200 200 200
            POST /data-sets | data-sets | 401 404 403 403 422 403 -
            POST /data-sets/inspections | data-sets/inspections?folder=1 | 401 404 403 403 422 403 422
            POST /data-sets/samples | data-sets/samples | 401 404 403 403 404 403 404
            POST /data-sets/{id}/loads | data-sets/1/loads | 401 404 403 403 422 403 -
            POST /data-sets/{id}/loads/{no}/again | data-sets/1/loads/1/again | 401 404 403 403 422 403 -
            POST /data-sets/{id}/loads/now | data-sets/1/loads/now | 401 404 403 403 409 403 409
            PUT /data-sets/{id}/plan | data-sets/1/plan | 401 404 403 403 404 403 404
            GET /data-sets/{id} | data-sets/1 | 401 404 404 404 200 200 200
            GET /data-sets/{id}/people | data-sets/1/people | 401 404 404 404 200 200 200
            PUT /data-sets/{id}/personal | data-sets/1/personal | 401 404 403 403 422 403 422
            PUT /data-sets/{id}/place | data-sets/1/place | 401 404 403 403 204 403 204
            DELETE /data-sets/{id} | data-sets/1 | 401 404 403 403 409 403 409
            PUT /data-sets/{id}/row-rules | data-sets/1/row-rules | 401 404 403 403 422 403 422
            GET /data-sets/{id}/sights/{person} | data-sets/1/sights/3 | 401 404 404 404 200 200 200
            GET /demo/people | demo/people | 200 200 200 200 200 200 200
            POST /demo/sign-in | demo/sign-in | 404 - - - - - -
            POST /folders | folders | 401 403 403 403 403 403 -
            GET /folders/{folder}/people/{person}/why | folders/1/people/3/why | 401 404 403 403 403 200 200
            GET /folders/{id}/effect | folders/1/effect | 401 403 403 403 403 403 200
            PUT /folders/{id} | folders/999999 | 401 403 403 403 403 403 404
            DELETE /folders/{id} | folders/999999 | 401 403 403 403 403 403 404
            GET /grants | grants | 401 403 403 403 403 200 200
            PUT /grants/{folder}/{group} | grants/1/1 | 401 404 403 403 403 403 -
            PUT /grants/{folder}/people/{person} | grants/1/people/1 | 401 404 403 403 403 403 -
            GET /grants/{folder}/people/{person}/effect | grants/1/people/1/effect?own=false | 401 404 403 403 403 200 200
            GET /grants/{folder}/{group}/effect | grants/1/1/effect?own=false | 401 404 403 403 403 200 200
            GET /groups | groups | 401 403 403 403 403 200 200
            POST /groups | groups | 401 403 403 403 403 403 -
            GET /groups/{id}/use | groups/1/use | 401 403 403 403 403 200 200
            PUT /groups/{id} | groups/999999 | 401 403 403 403 403 403 404
            DELETE /groups/{id} | groups/999999 | 401 403 403 403 403 403 404
            PUT /groups/{id}/members | groups/1/members | 401 403 403 403 403 403 -
            POST /groups/{id}/members/effect | groups/1/members/effect | 401 403 403 403 403 200 200
            GET /address-changes/{token} | address-changes/none | 404 404 404 404 404 404 404
            POST /address-changes/{token} | address-changes/none | 404 404 404 404 404 404 404
            POST /password-resets | password-resets | 202 202 202 202 - - -
            GET /invitations/{token} | invitations/none | 404 404 404 404 404 404 404
            POST /invitations/{token} | invitations/none | 404 404 404 404 404 404 404
            GET /issues/{id} | issues/ISSUE | 401 404 200 200 200 200 200
            GET /issues/{id}/files/{sha256} | issues/ISSUE/files/FILE | 401 404 200 200 200 200 200
            GET /issues/{id}/mail | issues/ISSUE/mail | 401 404 404 200 404 404 404
            GET /issues/{id}/mail.eml | issues/ISSUE/mail.eml | 401 404 404 200 404 404 404
            PUT /issues/{id}/read | issues/ISSUE/read | 401 404 204 204 204 204 204
            GET /library | library | 401 200 200 200 200 200 200
            GET /library/hits | library/hits?words=sail | 401 200 200 200 200 200 200
            GET /mail-room | mail-room | 401 200 200 200 200 200 200
            GET /mail-room/{address} | mail-room/x@y.example | 401 200 200 200 200 200 200
            PUT /mail-room/{address}/behaviour | mail-room/x@y.example/behaviour | 401 - - - - - -
            GET /mail-room/{address}/mails/{id} | mail-room/x@y.example/mails/none | 401 404 404 404 404 404 404
            GET /mail-room/{address}/mails/{id}/attachments/{name} | mail-room/x@y.example/mails/none/attachments/a.pdf | 401 404 404 404 404 404 404
            GET /mail-room/{address}/mails/{id}/source | mail-room/x@y.example/mails/none/source | 401 404 404 404 404 404 404
            GET /periods | periods | 401 200 200 200 200 200 200
            GET /periods/{code} | periods/last-week | 401 200 200 200 200 200 200
            GET /people | people | 401 403 403 403 403 200 200
            POST /people | people | 401 403 403 403 403 403 -
            PUT /people/{id} | people/2 | 401 403 403 403 403 403 -
            GET /people/{id}/effect | people/2/effect?active=true | 401 403 403 403 403 200 200
            GET /people/{id}/subscriptions | people/2/subscriptions | 401 403 403 403 403 200 200
            POST /people/{id}/subscriptions/handover | people/999999/subscriptions/handover | 401 403 403 403 403 403 404
            POST /people/{id}/invitations | people/2/invitations | 401 403 403 403 403 403 -
            PUT /people/{id}/address | people/2/address | 401 403 403 403 403 403 -
            DELETE /people/{id}/address | people/2/address | 401 403 403 403 403 403 -
            DELETE /people/{id}/sessions | people/2/sessions | 401 403 403 403 403 403 200
            POST /reports | reports | 401 404 403 403 422 403 -
            GET /reports/data-sets | reports/data-sets?folder=1 | 401 404 403 403 200 403 200
            POST /reports/drafts | reports/drafts | 401 404 403 403 422 403 422
            GET /reports/{id} | reports/1 | 401 404 200 200 200 200 200
            GET /candidates | candidates?report=1 | 401 404 200 200 200 200 200
            GET /recurrences | recurrences?rule=FREQ=DAILY | 401 200 200 200 200 200 200
            GET /reports/{id}/cuts | reports/1/cuts | 401 404 200 200 200 200 200
            POST /reports/{id}/cuts | reports/1/cuts | 401 404 201 201 201 201 201
            PUT /cuts/{id} | cuts/999 | 401 404 404 404 404 404 404
            DELETE /cuts/{id} | cuts/999 | 401 404 404 404 404 404 404
            GET /reports/{id}/definition | reports/1/definition | 401 404 403 403 200 403 200
            POST /reports/{id}/losses | reports/1/losses | 401 404 403 403 422 403 422
            GET /reports/{id}/folder/effect | reports/1/folder/effect?folder=1 | 401 404 403 403 200 403 200
            PUT /reports/{id}/folder | reports/1/folder | 401 404 403 403 204 403 204
            GET /reports/{id}/removal | reports/1/removal | 401 404 403 403 200 403 200
            GET /reports/removed | reports/removed | 401 200 200 200 200 200 200
            DELETE /reports/{id} | reports/999999 | 401 404 404 404 404 404 404
            POST /reports/{id}/restoration | reports/1/restoration | 401 404 404 404 404 404 404
            GET /reports/{id}/drawing | reports/1/drawing | 401 404 200 200 200 200 200
            PUT /reports/{id}/favourite | reports/1/favourite | 401 404 204 204 204 204 204
            DELETE /reports/{id}/favourite | reports/1/favourite | 401 404 204 204 204 204 204
            GET /reports/{id}/file | reports/1/file?kind=XLSX | 401 404 200 200 200 200 200
            POST /reports/{id}/requests | reports/1/requests | 401 404 201 409 201 201 409
            GET /house-rules | house-rules | 401 403 403 403 403 200 200
            PUT /house-rules | house-rules | 401 403 403 403 403 403 -
            GET /requests | requests | 401 403 403 403 403 200 200
            POST /requests/{id}/answer | requests/999999/answer | 401 404 404 404 404 404 404
            GET /reports/{id}/rows | reports/1/rows | 401 404 200 200 200 200 200
            GET /reports/{id}/rows/file | reports/1/rows/file | 401 404 200 200 200 200 200
            GET /reports/{id}/values | reports/1/values?column=route | 401 404 200 200 200 200 200
            GET /reports/{id}/versions/{no} | reports/1/versions/1 | 401 404 403 403 200 403 200
            PUT /reports/{id}/definition | reports/1/definition | 401 404 403 403 422 403 -
            GET /set-aside | set-aside | 401 200 200 200 200 200 200
            POST /set-aside/{kind}/{unit}/try-again | set-aside/BOOK/999999/try-again | 401 404 404 404 404 404 404
            GET /runs/{id} | runs/RUN | 401 404 404 200 404 200 200
            POST /runs/{id}/try-again | runs/RUN/try-again | 401 404 404 403 404 403 -
            DELETE /session | session | 204 - - - - - -
            GET /session | session | 200 200 200 200 200 200 200
            POST /sendings | sendings | 401 404 403 422 403 403 422
            POST /session | session | 401 401 401 401 401 - -
            GET /shelf | shelf | 401 200 200 200 200 200 200
            GET /named-values | named-values | 401 200 200 200 200 200 200
            POST /named-values | named-values | 401 404 403 403 422 403 422
            POST /named-values/trials | named-values/trials | 401 404 403 403 422 403 422
            PUT /named-values/{id} | named-values/999 | 401 404 404 404 404 404 404
            DELETE /named-values/{id} | named-values/999 | 401 404 404 404 404 404 404
            GET /sources | sources | 401 200 200 200 200 200 200
            POST /sources | sources | 401 403 403 403 403 403 422
            PUT /sources/{id} | sources/999 | 401 403 403 403 403 403 422
            DELETE /sources/{id} | sources/999 | 401 403 403 403 403 403 404
            POST /sources/tests | sources/tests | 401 403 403 403 403 403 422
            GET /subscriptions | subscriptions | 401 200 200 200 200 200 200
            POST /subscriptions | subscriptions | 401 404 403 201 403 403 -
            GET /subscriptions/next | subscriptions/next | 401 200 200 200 200 200 200
            GET /subscriptions/{id} | subscriptions/1 | 401 404 404 200 404 200 200
            PUT /subscriptions/{id} | subscriptions/1 | 401 404 404 403 404 403 -
            POST /subscriptions/{id}/end | subscriptions/1/end | 401 404 404 403 404 403 -
            GET /subscriptions/{id}/handover | subscriptions/1/handover?to=2 | 401 404 404 403 404 403 200
            PUT /subscriptions/{id}/owner | subscriptions/1/owner | 401 404 404 403 404 403 409
            GET /subscriptions/{id}/outlook | subscriptions/1/outlook | 401 404 404 403 404 403 200
            POST /subscriptions/{id}/pause | subscriptions/1/pause | 401 404 404 403 404 403 -
            PUT /subscriptions/{id}/recipients/{person} | subscriptions/1/recipients/2 | 401 404 404 403 404 403 -
            DELETE /subscriptions/{id}/recipients/{person} | subscriptions/1/recipients/2 | 401 404 404 403 404 403 -
            POST /subscriptions/{id}/resume | subscriptions/1/resume | 401 404 404 403 404 403 -
            POST /subscriptions/{id}/send | subscriptions/1/send | 401 404 404 403 404 403 -
            POST /subscriptions/{id}/start | subscriptions/1/start | 401 404 404 403 404 403 -
            POST /subscriptions/{id}/try | subscriptions/1/try | 401 404 404 202 404 403 -
            """;

    private static final Map<String, JsonNode> EXAMPLES = Described.operations()
            .filter(operation -> operation.exampleBody().isPresent())
            .collect(Collectors.toMap(
                    Described.Operation::name,
                    operation -> operation.exampleBody().orElseThrow()));

    /** What some routes send instead of an example, so that only the right decides. */
    /** A formula that is none. */
    private static final Map<String, Object> NAMED = Map.of("folder", 1, "named", Wishes.named("x", "today +"));

    private static final Map<String, Object> BODIES = Map.ofEntries(
            Map.entry("POST /data-sets", Map.of("folder", 1, "name", "x", "dateColumn", "d", "columns", List.of())),
            Map.entry(
                    "PUT /data-sets/{id}/row-rules",
                    Map.of("rules", List.of(Wishes.rule("none", 1)), "ownerView", true)),
            Map.entry("POST /data-sets/samples", Map.of("folder", 1, "origin", Wishes.query(999, "SELECT 1"))),
            Map.entry("PUT /data-sets/{id}/plan", Wishes.plan(Wishes.query(999, "SELECT 1"), "BY_HAND", "REPLACE")),
            Map.entry(
                    "POST /reports/drafts",
                    Map.of("folder", 1, "yaml", "no report", "page", "", "period", "last-week", "chartWidth", 600)),
            Map.entry("POST /reports/{id}/cuts", Wishes.cut()),
            Map.entry("PUT /cuts/{id}", Map.of("wish", Wishes.cut(), "version", 1)),
            Map.entry("POST /named-values", NAMED),
            Map.entry("POST /named-values/trials", NAMED),
            Map.entry("PUT /named-values/{id}", Map.of("wish", NAMED, "version", 1)),
            Map.entry("POST /clippings", Map.of("name", "", "clips", List.of())),
            Map.entry(
                    "PUT /clippings/{id}", Map.of("wish", Map.of("name", "A page", "clips", List.of()), "version", 1)),
            Map.entry("POST /clippings/{id}/clips", Map.of("clips", List.of())),
            Map.entry("POST /reports/{id}/losses", Map.of("yaml", "no report")),
            Map.entry("POST /compositions", Wishes.draft(Wishes.terms())),
            Map.entry("POST /compositions/pdf", Wishes.draft(Wishes.terms())),
            Map.entry("POST /subscriptions", Map.of("terms", Wishes.terms(), "start", false)),
            Map.entry("POST /reports/{id}/requests", Map.of("wants", "SUBSCRIBE_SELF", "because", "")),
            Map.entry("PUT /data-sets/{id}/personal", Map.of("columns", List.of("none"))),
            Map.entry("PUT /house-rules", Map.of("personal", "WARN")),
            Map.entry("POST /approvals/{id}/answer", Map.of("approve", false, "reply", "", "columns", List.of())),
            Map.entry("POST /requests/{id}/answer", Map.of("grant", false, "reply", "")),
            Map.entry("POST /sendings", Wishes.terms()),
            Map.entry("PUT /subscriptions/{id}", Wishes.terms()),
            Map.entry("PUT /subscriptions/{id}/owner", Map.of("person", 2)),
            Map.entry("PUT /folders/{id}", Map.of("name", "Elsewhere")),
            Map.entry("PUT /groups/{id}", Map.of("name", "Elsewhere")),
            Map.entry("PUT /reports/{id}/folder", Map.of("folder", 1)),
            Map.entry("PUT /data-sets/{id}/place", Map.of("name", "sailings", "folder", 1)),
            Map.entry("POST /people/{id}/subscriptions/handover", Map.of("person", 3)),
            Map.entry("POST /demo/sign-in", Map.of("person", 999_999)),
            Map.entry("PUT /account/calendar", Map.of("zone", "Europe/Oslo", "firstDayOfWeek", "MONDAY")),
            Map.entry("PUT /account/password", Map.of("current", "not it", "wanted", "a ferry leaves at nine")),
            Map.entry("POST /session", Map.of("address", "x@y.example", "password", "none")),
            Map.entry("POST /invitations/{token}", Map.of("password", "a ferry leaves at nine")),
            Map.entry("POST /password-resets", Map.of("address", "nobody@brinewater.example")),
            Map.entry("PUT /people/{id}/address", Map.of("address", "new@brinewater.example")),
            Map.entry("POST /groups/{id}/members/effect", Map.of("people", List.of())));

    private static List<Api> askers;

    /** An administrator who was made inactive while he was signed in: nobody, at every route. */
    private static Api deactivated;

    private static Map<String, String> ids;

    record Row(String route, String path, List<String> answers) {
        static Row of(String line) {
            String[] parts = line.split(" \\| ");
            return new Row(parts[0], parts[1], List.of(parts[2].split(" ")));
        }

        @Override
        public String toString() {
            return route;
        }
    }

    static List<Row> rows() {
        return TABLE.lines().map(Row::of).toList();
    }

    @BeforeAll
    static void people() {
        Api administrator = DEMO.as("Sunniva Rein");
        long elsewhere = Staff.hired(administrator, "Nora Elsewhere");
        Staff.granted(administrator, elsewhere, 2, "SUBSCRIBE_TEAMMATES", "PUBLISH");
        long publisher = Staff.hired(administrator, "Pia Publisher");
        Staff.granted(administrator, publisher, 1, "PUBLISH");
        Staff.hired(administrator, "Arne Auditor", "AUDITOR");
        long gone = Staff.hired(administrator, "Geir Gone", "ADMINISTRATOR");
        deactivated = DEMO.as("Geir Gone");
        administrator.put(
                "people/" + gone,
                Map.of("name", "Geir Gone", "zone", "Europe/Oslo", "roles", List.of("ADMINISTRATOR"), "active", false));
        askers = List.of(
                Api.stranger(DEMO.server()),
                DEMO.as("Nora Elsewhere"),
                DEMO.as("Anders Moe"),
                DEMO.as("Ida Solvang"),
                DEMO.as("Pia Publisher"),
                DEMO.as("Arne Auditor"),
                administrator);
        JsonNode subscription = administrator.get("subscriptions/1");
        String issue = subscription.get("line").get("spines").get(0).get("id").asString();
        ids = Map.of(
                "ISSUE", issue,
                "RUN", subscription.get("runs").get(0).get("id").asString(),
                "FILE",
                        administrator
                                .get("issues/" + issue)
                                .get("files")
                                .get(0)
                                .get("sha256")
                                .asString());
    }

    @Test
    void no_route_is_missing_from_the_table() {
        assertThat(rows().stream().map(Row::route))
                .containsExactlyInAnyOrderElementsOf(
                        Described.operations().map(Described.Operation::name).toList());
    }

    @ParameterizedTest
    @MethodSource("rows")
    void each_is_answered_as_the_asker_may(Row row) {
        String method = row.route().substring(0, row.route().indexOf(' '));
        Object body = BODIES.containsKey(row.route()) ? BODIES.get(row.route()) : EXAMPLES.get(row.route());
        String path = row.path();
        for (Map.Entry<String, String> id : ids.entrySet()) {
            path = path.replace(id.getKey(), id.getValue());
        }
        if (!row.route().endsWith("/session")) {
            assertThat(deactivated
                            .answer(method, path, body, Map.of("If-Match", "\"1\""))
                            .statusCode())
                    .as("deactivated: %s", row)
                    .hasToString(row.answers().get(0));
        }
        List<String> answers = new ArrayList<>();
        for (int i = 0; i < askers.size(); i++) {
            answers.add(row.answers().get(i).equals("-") ? "-" : answer(askers.get(i), method, path, body));
        }
        assertThat(answers).isEqualTo(row.answers());
    }

    /** What does not exist for somebody is not named to him either. */
    private static String answer(Api asker, String method, String path, Object body) {
        var answer = asker.answer(method, path, body, Map.of("If-Match", "\"1\""));
        if (answer.statusCode() == 404) {
            assertThat(new String(answer.body())).doesNotContainIgnoringCase("cancelled");
        }
        return String.valueOf(answer.statusCode());
    }
}
