package mailshelf.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** One signed-in person's use of the HTTP API. */
final class Api {
    private static final ObjectMapper JSON = new ObjectMapper();

    private final String url;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client =
            HttpClient.newBuilder().cookieHandler(cookies).build();

    private Api(String url) {
        this.url = url;
    }

    /** Somebody who has not signed in. */
    static Api stranger(RunningServer server) {
        return stranger(server.url());
    }

    static Api stranger(String url) {
        Api api = new Api(url);
        api.get("session");
        return api;
    }

    /** Signs in by the demo's one click. */
    static Api as(RunningServer server, String name) {
        Api api = stranger(server);
        JsonNode people = api.get("demo/people");
        long id = people.valueStream()
                .filter(person -> person.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        api.send("POST", "demo/sign-in", Map.of("person", id), Map.of());
        api.get("session");
        return api;
    }

    /** Signs in with an own account. */
    static Api withPassword(RunningServer server, String address, String password) {
        Api api = stranger(server);
        api.post("session", Map.of("address", address, "password", password));
        api.get("session");
        return api;
    }

    JsonNode get(String path) {
        return json(answer("GET", path, null, Map.of()));
    }

    /** The value of a cookie that the server has set. */
    Optional<String> cookie(String name) {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals(name))
                .map(HttpCookie::getValue)
                .findFirst();
    }

    /** The status alone, for what may be refused. */
    int status(String path) {
        return answer("GET", path, null, Map.of()).statusCode();
    }

    byte[] bytes(String path) {
        return answer("GET", path, null, Map.of()).body();
    }

    /** Something that lies outside the API. */
    byte[] file(String address) {
        return send(HttpRequest.newBuilder(URI.create(url + address)).build()).body();
    }

    JsonNode post(String path, Object body) {
        return send("POST", path, body, Map.of());
    }

    JsonNode send(String method, String path, Object body, Map<String, String> headers) {
        HttpResponse<byte[]> answer = answer(method, path, body, headers);
        if (answer.statusCode() >= 400) {
            throw new AssertionError(method + " " + path + ": " + new String(answer.body()));
        }
        return json(answer);
    }

    JsonNode put(String path, Object body) {
        return send("PUT", path, body, Map.of());
    }

    void delete(String path) {
        send("DELETE", path, null, Map.of());
    }

    /** What the server says of a request that it refuses, with its status. */
    Refusal refused(String method, String path, Object body) {
        return refused(method, path, body, Map.of());
    }

    Refusal refused(String method, String path, Object body, Map<String, String> headers) {
        HttpResponse<byte[]> answer = answer(method, path, body, headers);
        if (answer.statusCode() < 400) {
            throw new AssertionError(method + " " + path + " was not refused");
        }
        return refusal(answer);
    }

    static Refusal refusal(HttpResponse<byte[]> answer) {
        JsonNode problem = json(answer);
        return new Refusal(
                answer.statusCode(),
                problem.get("code").asString(),
                String.join(
                        " ",
                        problem.get("happened").asString(),
                        problem.get("means").asString(),
                        problem.get("todo").asString()),
                problem);
    }

    /** @param says the three sentences */
    record Refusal(int status, String code, String says, JsonNode document) {}

    static JsonNode json(HttpResponse<byte[]> answer) {
        return answer.body().length == 0 ? JSON.nullNode() : JSON.readTree(answer.body());
    }

    HttpResponse<byte[]> answer(String method, String path, Object body, Map<String, String> headers) {
        return answer(method, path, body, headers, token());
    }

    /** With a token that the page may not have. */
    HttpResponse<byte[]> answer(String method, String path, Object body, Map<String, String> headers, String token) {
        HttpRequest.BodyPublisher json = body == null
                ? HttpRequest.BodyPublishers.noBody()
                : HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body));
        HttpRequest.Builder request =
                request(path, token).header("Content-Type", "application/json").method(method, json);
        headers.forEach(request::header);
        return send(request.build());
    }

    /** Posts a text that may be no JSON, as if it were. */
    HttpResponse<byte[]> postText(String path, String text) {
        return send(request(path, token())
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(text))
                .build());
    }

    /** Loads rows as a CSV file. */
    HttpResponse<byte[]> upload(String path, String csv) {
        return upload(path, csv.getBytes(StandardCharsets.UTF_8));
    }

    HttpResponse<byte[]> upload(String path, byte[] csv) {
        return upload(path, csv, "text/csv");
    }

    HttpResponse<byte[]> upload(String path, byte[] body, String type) {
        return send(request(path, token())
                .header("Content-Type", type)
                .POST(HttpRequest.BodyPublishers.ofByteArray(body))
                .build());
    }

    private HttpRequest.Builder request(String path, String token) {
        return HttpRequest.newBuilder(URI.create(url + "/api/v1/" + path)).header("X-XSRF-TOKEN", token);
    }

    private HttpResponse<byte[]> send(HttpRequest request) {
        try {
            return client.send(request, HttpResponse.BodyHandlers.ofByteArray());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private String token() {
        return cookie("XSRF-TOKEN").orElse("");
    }
}
