package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Every field of the API, as it is described, filled with what does not belong there: a refusal in words, never a fault. */
class BadInputTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("bad-input");

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

    /** These would sign the asker out, or move the clock under the feet of the others. */
    private static final Set<String> LEFT_OUT = Set.of(
            "DELETE /session", "POST /session", "POST /demo/sign-in", "POST /clock/move", "POST /clock/next-send");

    private static final List<String> TEXTS = List.of(
            "",
            " ",
            "\u0000",
            "a\r\nBcc: everybody@brinewater.example",
            "<script>alert(1)</script>",
            "=1+1",
            "'; DROP TABLE person; --",
            "../../etc/passwd",
            "\u202Eesrever",
            "\uD83D\uDEA2",
            "{0}",
            "%s%n",
            "2026-02-30",
            "2026-11-30/2026-11-01",
            "FREQ=DAILY;INTERVAL=0",
            "99:99",
            "Mars/Olympus",
            "x".repeat(10_000));

    private static Api administrator;

    @BeforeAll
    static void signIn() {
        administrator = DEMO.as("Sunniva Rein");
    }

    @TestFactory
    Stream<DynamicTest> every_operation_answers_nonsense_in_words() {
        return Described.operations()
                .filter(operation -> !LEFT_OUT.contains(operation.name()))
                .map(operation -> DynamicTest.dynamicTest(operation.name(), () -> askNonsense(operation)));
    }

    private static void askNonsense(Described.Operation operation) {
        Optional<JsonNode> example = operation.exampleBody();
        for (String path : paths(operation)) {
            ask(operation, path, example.orElse(null));
        }
        String path = operation.path().replaceAll("\\{[^}]+}", "1");
        example.ifPresent(body -> spoilt(body).forEach(spoilt -> ask(operation, path, spoilt)));
    }

    private static void ask(Described.Operation operation, String path, JsonNode body) {
        HttpResponse<byte[]> answer = administrator.answer(operation.method(), path, body, Map.of("If-Match", "\"1\""));
        String said = new String(answer.body(), StandardCharsets.UTF_8);
        String asked = operation.method() + " " + shortened(path) + " " + shortened(String.valueOf(body));
        assertThat(answer.statusCode()).as("%s: %s", asked, shortened(said)).isLessThan(500);
        if (answer.statusCode() >= 400 && said.startsWith("{")) {
            JsonNode problem = JSON.readTree(said);
            assertThat(problem.path("code").asString()).as(asked).isNotEmpty();
            assertThat(problem.path("todo").asString()).as(asked).isNotEmpty();
        }
    }

    private static String shortened(String text) {
        return text.length() > 300 ? text.substring(0, 300) + "…" : text;
    }

    /** The path with each of its places, and then each parameter of its query, filled with nonsense. */
    private static List<String> paths(Described.Operation operation) {
        List<String> paths = new ArrayList<>();
        for (String text : TEXTS.subList(1, TEXTS.size() - 1)) {
            String encoded = URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
            if (operation.path().contains("{")) {
                paths.add(operation.path().replaceAll("\\{[^}]+}", encoded));
            }
            for (String parameter : operation.queryParameters()) {
                paths.add(operation.path().replaceAll("\\{[^}]+}", "1") + "?" + parameter + "=" + encoded);
            }
        }
        return paths;
    }

    /** The example with each of its fields, one after the other, missing or filled with what does not belong there. */
    private static List<JsonNode> spoilt(JsonNode example) {
        List<JsonNode> all = new ArrayList<>(nonsense());
        if (example instanceof ObjectNode object) {
            for (String field : List.copyOf(object.propertyNames())) {
                all.add(object.deepCopy().without(field));
                for (JsonNode value : spoilt(object.get(field))) {
                    all.add(object.deepCopy().set(field, value));
                }
            }
        }
        if (example instanceof ArrayNode array && !array.isEmpty()) {
            spoilt(array.get(0)).forEach(value -> all.add(MAKE.arrayNode().add(value)));
            all.add(MAKE.arrayNode());
            all.add(MAKE.arrayNode().add(array.get(0)).add(array.get(0)));
        }
        return all;
    }

    private static List<JsonNode> nonsense() {
        List<JsonNode> all =
                new ArrayList<>(TEXTS.stream().<JsonNode>map(MAKE::stringNode).toList());
        all.addAll(Arrays.asList(
                MAKE.nullNode(),
                MAKE.booleanNode(true),
                MAKE.numberNode(-1),
                MAKE.numberNode(0),
                MAKE.numberNode(1.5),
                MAKE.numberNode(Long.MAX_VALUE),
                MAKE.objectNode(),
                MAKE.arrayNode(),
                MAKE.arrayNode().addNull(),
                MAKE.objectNode().put("surprise", 1)));
        return all;
    }
}
