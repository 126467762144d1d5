package mailshelf.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Role;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** The real server on the demo's data with many more people, in a process of its own, and one administrator's use of it. */
final class House implements AutoCloseable {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final String ADMINISTRATOR = "bench@brinewater.example";
    private static final String PASSWORD = "figures before the working day";

    private final Path data;
    private final int port;
    private final int smtpPort;
    private final List<Long> crew;
    private Process process;
    private HttpClient client;
    private CookieManager cookies;

    private House(Path data, int port, int smtpPort, List<Long> crew) {
        this.data = data;
        this.port = port;
        this.smtpPort = smtpPort;
        this.crew = crew;
    }

    /** Makes the demo's data in an empty folder, and adds people to it directly, since asking for each takes minutes. */
    static House of(Path folder, int people, int smtpPort) {
        Path data = folder.resolve("data");
        House house = new House(data, freePort(), smtpPort, new ArrayList<>());
        house.launch(
                Map.of(),
                "demo",
                "--tickets",
                "20000",
                "--data",
                data.toString(),
                "--port",
                String.valueOf(house.port));
        house.awaitAnswer();
        house.stop();
        house.turnIntoAnOrganisation();
        try (Database database = Database.open(data)) {
            house.crew.addAll(database.inTransaction(tx -> hire(tx, people)));
        }
        return house;
    }

    /** Otherwise no server is started on a demo's data. */
    private void turnIntoAnOrganisation() {
        try {
            Files.writeString(data.resolve("kind"), "ORGANISATION");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<Long> hire(Tx tx, int size) {
        PersonStore people = new PersonStore();
        people.insert(tx, person("Bench", ADMINISTRATOR), Optional.of(new BCryptPasswordEncoder(4).encode(PASSWORD)));
        return LongStream.range(0, size)
                .map(i -> people.insert(tx, person("Crew " + i, "crew" + i + "@brinewater.example"), Optional.empty())
                        .value())
                .boxed()
                .toList();
    }

    /** Administrators may see everything, which spares grants that are not measured here. */
    private static Person person(String name, String address) {
        return new Person(
                new PersonId(0),
                name,
                address,
                ZoneId.of("Europe/Oslo"),
                Locale.ENGLISH,
                DayOfWeek.MONDAY,
                Set.of(Role.ADMINISTRATOR),
                true);
    }

    /** @param javaOptions such as "-Xmx512m" */
    void start(String javaOptions) {
        launch(
                Map.of("MAILSHELF_JAVA_OPTIONS", javaOptions),
                "serve",
                "--data",
                data.toString(),
                "--address",
                "localhost",
                "--port",
                String.valueOf(port),
                "--smtp-port",
                String.valueOf(smtpPort),
                "--smtp-tls",
                "NEVER",
                "--mail-address",
                "mail-shelf@brinewater.example");
        awaitAnswer();
        cookies = new CookieManager();
        client = HttpClient.newBuilder().cookieHandler(cookies).build();
        get("session");
        post("session", Map.of("address", ADMINISTRATOR, "password", PASSWORD));
        get("session");
    }

    private void launch(Map<String, String> environment, String... arguments) {
        List<String> command = new ArrayList<>(List.of("../mailshelf"));
        command.addAll(List.of(arguments));
        ProcessBuilder builder =
                new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(log().toFile());
        builder.environment().putAll(environment);
        try {
            Files.createDirectories(data.getParent());
            process = builder.start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Path log() {
        return data.resolveSibling("server.out");
    }

    private void awaitAnswer() {
        await(() -> {
            String said = read(log());
            if (!process.isAlive()) {
                throw new IllegalStateException("The server ended: " + said);
            }
            return said.contains("answers at");
        });
    }

    static void await(BooleanSupplier condition) {
        long end = System.nanoTime() + TimeUnit.MINUTES.toNanos(20);
        while (!condition.getAsBoolean()) {
            if (System.nanoTime() > end) {
                throw new IllegalStateException("It did not happen within 20 minutes");
            }
            pause(20);
        }
    }

    static void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Java itself; the shell that watches it ends with it. */
    void kill() {
        process.descendants().forEach(ProcessHandle::destroyForcibly);
        end(process);
    }

    void stop() {
        process.destroy();
        end(process);
    }

    private static void end(Process process) {
        try {
            process.waitFor();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void close() {
        stop();
    }

    /** Size of the database's file. */
    double databaseMegabytes() throws IOException {
        return Files.size(data.resolve("mailshelf.mv.db")) / 1e6;
    }

    Path archive() {
        return data.resolve("shelf");
    }

    /** Asks the database itself; only while the server does not run. */
    <T> T ask(Function<Tx, T> question) {
        try (Database database = Database.open(data)) {
            return database.inTransaction(question);
        }
    }

    /** Has the administrator subscribe all the crew to pages as PDF. */
    long subscribe(long report, List<String> pages, String period) {
        Map<String, Object> terms = new LinkedHashMap<>();
        terms.put("name", "For the crew");
        terms.put(
                "content",
                List.of(Map.of(
                        "report", report, "pages", pages, "blocks", List.of(), "period", period, "filters",
                        List.of())));
        terms.put("firstDayOfWeek", "MONDAY");
        terms.put("seenAs", "RECIPIENT");
        terms.put("recipients", crew);
        terms.put("output", Map.of("pdf", true, "picture", false));
        terms.put("schedule", Map.of("recurrence", "FREQ=MONTHLY;BYMONTHDAY=1", "at", "15:00", "zone", "Europe/Oslo"));
        terms.put("locale", "en");
        return post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
    }

    /** Brings in a data set; its id. */
    long load(Map<String, Object> dataSet, Path csv) {
        long id = post("data-sets", dataSet).get("id").asLong();
        loadAnew(id, csv);
        return id;
    }

    /** Puts rows in the place of those that a data set has. */
    void loadAnew(long dataSet, Path csv) {
        try {
            answer(changing("data-sets/" + dataSet + "/loads", "text/csv")
                    .POST(HttpRequest.BodyPublishers.ofFile(csv)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Sends an issue to all of them; its run. */
    long send(long subscription) {
        return post("subscriptions/" + subscription + "/send", null).get("id").asLong();
    }

    void awaitClosed(long subscription, long run) {
        await(() -> {
            pause(5000); // asking for ten thousand recipients is work too
            JsonNode newest = get("subscriptions/" + subscription).get("runs").get(0);
            return newest.get("id").asLong() == run
                    && newest.get("state").asString().equals("CLOSED");
        });
    }

    JsonNode get(String path) {
        return answer(request(path).GET());
    }

    JsonNode post(String path, Object body) {
        return send("POST", path, body);
    }

    JsonNode put(String path, Object body) {
        return send("PUT", path, body);
    }

    static byte[] json(Object body) {
        return JSON.writeValueAsBytes(body);
    }

    /** The status that something is answered with, whatever it is; 0 where the server hangs up. */
    int status(String method, String path, String type, byte[] body) {
        try {
            return client.send(
                            changing(path, type)
                                    .method(method, HttpRequest.BodyPublishers.ofByteArray(body))
                                    .build(),
                            HttpResponse.BodyHandlers.discarding())
                    .statusCode();
        } catch (IOException e) {
            return 0;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** A connection on which the beginning of a request has been sent. */
    Socket connection(String method, String path, String header, String body) throws IOException {
        Socket socket = new Socket(InetAddress.getLoopbackAddress(), port);
        String signedIn = cookies.getCookieStore().getCookies().stream()
                .map(cookie -> cookie.getName() + "=" + cookie.getValue())
                .collect(Collectors.joining("; "));
        String head = method + " /api/v1/" + path + " HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\n"
                + "Cookie: " + signedIn + "\r\nX-XSRF-TOKEN: " + token() + "\r\n" + header + "\r\n\r\n" + body;
        socket.getOutputStream().write(head.getBytes(StandardCharsets.UTF_8));
        return socket;
    }

    private JsonNode send(String method, String path, Object body) {
        String json = body == null ? "" : JSON.writeValueAsString(body);
        return answer(changing(path, "application/json").method(method, HttpRequest.BodyPublishers.ofString(json)));
    }

    private HttpRequest.Builder changing(String path, String type) {
        return request(path).header("Content-Type", type).header("X-XSRF-TOKEN", token());
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api/v1/" + path));
    }

    private String token() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .findFirst()
                .orElseThrow()
                .getValue();
    }

    private JsonNode answer(HttpRequest.Builder request) {
        try {
            HttpResponse<String> answer = client.send(request.build(), HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() >= 400) {
                throw new IllegalStateException(answer.request().uri() + ": " + answer.body());
            }
            return answer.body().isEmpty() ? JSON.nullNode() : JSON.readTree(answer.body());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    static String read(Path file) {
        try {
            return Files.exists(file) ? Files.readString(file) : "";
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static int freePort() {
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
