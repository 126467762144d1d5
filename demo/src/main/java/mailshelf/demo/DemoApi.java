package mailshelf.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Calls this server's own HTTP API as one of the demo's people, as any other client would. */
final class DemoApi implements AutoCloseable {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final String baseUrl;
    private final String builderKey;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client =
            HttpClient.newBuilder().cookieHandler(cookies).build();

    private DemoApi(String baseUrl, String builderKey) {
        this.baseUrl = baseUrl;
        this.builderKey = builderKey;
    }

    /**
     * Signed in by the demo's one click.
     *
     * @param builderKey lets its requests in before the demo is ready for anybody else's
     */
    static DemoApi as(String baseUrl, String builderKey, long person) {
        DemoApi api = new DemoApi(baseUrl, builderKey);
        api.get("/api/v1/session");
        api.post("/api/v1/demo/sign-in", Map.of("person", person));
        return api;
    }

    /** Signs out. */
    @Override
    public void close() {
        send(request("/api/v1/session").DELETE().build());
    }

    JsonNode get(String path) {
        return send(request(path).GET().build());
    }

    JsonNode post(String path, Object body) {
        return send(json(path)
                .POST(HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)))
                .build());
    }

    JsonNode put(String path, Object body) {
        return send(json(path)
                .PUT(HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)))
                .build());
    }

    JsonNode postCsv(String path, String csv) {
        return send(request(path)
                .header("Content-Type", "text/csv; charset=UTF-8")
                .POST(HttpRequest.BodyPublishers.ofString(csv))
                .build());
    }

    JsonNode postCsv(String path, Path csv) throws IOException {
        return send(request(path)
                .header("Content-Type", "text/csv; charset=UTF-8")
                .POST(HttpRequest.BodyPublishers.ofFile(csv))
                .build());
    }

    /** Whether it is done or refused. */
    void attempt(String path) {
        answer(request(path).POST(HttpRequest.BodyPublishers.noBody()).build());
    }

    private HttpRequest.Builder json(String path) {
        return request(path).header("Content-Type", "application/json");
    }

    private HttpRequest.Builder request(String path) {
        HttpRequest.Builder builder =
                HttpRequest.newBuilder(URI.create(baseUrl + path)).header(DemoSignIn.HEADER, builderKey);
        cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .ifPresent(token -> builder.header("X-XSRF-TOKEN", token));
        return builder;
    }

    private JsonNode send(HttpRequest request) {
        HttpResponse<String> response = answer(request);
        if (response.statusCode() >= 400) {
            throw new IllegalStateException(request.method() + " "
                    + request.uri().getPath() + " answered " + response.statusCode() + ": " + response.body());
        }
        return response.body().isEmpty() ? JSON.nullNode() : JSON.readTree(response.body());
    }

    private HttpResponse<String> answer(HttpRequest request) {
        try {
            return client.send(request, HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Interrupted while calling the API", e);
        }
    }
}
