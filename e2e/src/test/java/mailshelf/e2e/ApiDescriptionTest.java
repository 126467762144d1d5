package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * The description that the web application's types are made from is the one that the server gives. With {@code
 * -Dgolden.update} it is written anew; then {@code npm run generate:api} makes the types.
 */
class ApiDescriptionTest {
    private static final Path KEPT = Path.of("../web/src/api/openapi.json");
    private static final ObjectMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    @Test
    void it_is_the_one_that_the_types_are_made_from() throws Exception {
        try (RunningServer server = RunningServer.at(Moments.START, DemoData.copy("described"))) {
            JsonNode given = JSON.readTree(described(server));
            if (System.getProperty("golden.update") != null) {
                Files.writeString(KEPT, JSON.writeValueAsString(given) + "\n");
            }
            assertThat(given).isEqualTo(JSON.readTree(Files.readString(KEPT)));
        }
    }

    private static String described(RunningServer server) throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(server.url() + "/api/docs"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
    }
}
