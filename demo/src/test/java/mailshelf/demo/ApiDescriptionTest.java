package mailshelf.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.server.App;
import mailshelf.server.DemoSettings;
import mailshelf.server.HouseSettings;
import mailshelf.server.MailSettings;
import mailshelf.server.Program;
import mailshelf.server.ServerStart;
import mailshelf.server.mail.MailTls;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/**
 * The description of the API that ships, from which the web application's types are made, is that of the controllers. With
 * {@code -Dgolden.update} it is written anew; then {@code npm run generate:api} makes the types.
 */
class ApiDescriptionTest {
    private static final Path KEPT = Path.of("../web/src/api/openapi.json");
    private static final ObjectMapper JSON = new ObjectMapper();

    @TempDir
    Path data;

    @Test
    void it_is_that_of_the_controllers() throws Exception {
        int port = ServerStart.freePort();
        try (ConfigurableApplicationContext running = start(port)) {
            running.getBean(DemoProgress.class).begin(DemoProgress.Stage.DONE);

            String given = described(port);

            if (System.getProperty("golden.update") != null) {
                Files.writeString(KEPT, JSON.readTree(given).toPrettyString() + "\n");
            }
            assertThat(JSON.readTree(given)).isEqualTo(kept());
        }
    }

    private ConfigurableApplicationContext start(int port) {
        HouseSettings settings = new HouseSettings(
                data,
                Optional.empty(),
                1,
                "http://localhost:" + port,
                new MailSettings(
                        "mail-shelf@brinewater.example",
                        "localhost",
                        ServerStart.freePort(),
                        MailTls.NEVER,
                        Optional.empty()),
                List.of(),
                1,
                "",
                Optional.of(new DemoSettings(1, Optional.empty(), Optional.empty(), Optional.empty())));
        Program described =
                new Program(DemoApp.class, "demo", List.of(App.class, DemoParts.class, ApiDescription.class));
        return described
                .application()
                .initializers(context -> context.getBeanFactory().registerSingleton("houseSettings", settings))
                .properties(Map.of(
                        "server.port", port,
                        "server.address", "localhost",
                        "springdoc.api-docs.path", "/api/v1/demo/description",
                        "springdoc.api-docs.version", "openapi_3_1",
                        "springdoc.paths-to-match", "/api/v1/**"))
                .run();
    }

    private static JsonNode kept() throws IOException {
        return JSON.readTree(Files.readString(KEPT));
    }

    private static String described(int port) throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api/v1/demo/description"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
    }
}
