package mailshelf.bench;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.Socket;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.IntSupplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Requests that nobody honest sends, one kind after the other; none may be answered by a fault of the server. */
final class HostileRequests {
    private static final int HALF_SENT = 200;
    private static final String TEXT = "text/csv";
    private static final String JSON = "application/json";

    private final House house;
    private final Random random;
    private final List<Socket> halfSent = new ArrayList<>();

    /** Each answers the status that it was answered with, or 0 where it did not wait for one. */
    private final Map<String, IntSupplier> kinds = new LinkedHashMap<>();

    HostileRequests(House house, long seed) {
        this.house = house;
        this.random = new Random(seed);
        kinds.put("half a request", this::half);
        kinds.put("a page asked for, and gone", () -> gone("reports/1?period=last-26-weeks"));
        kinds.put("a file asked for, and gone", () -> gone("reports/1/file?kind=XLSX&page=every&period=last-26-weeks"));
        kinds.put("a number of a billion digits", () -> get("reports/1?filter=delay:1E-600000000"));
        kinds.put("a filter on anything", () -> get("reports/1?filter=" + noise(60) + "&period=" + noise(8)));
        kinds.put("ids of nothing", () -> get("issues/" + random.nextLong() + "?copy=" + random.nextInt()));
        kinds.put("nobody named", () -> get("candidates"));
        kinds.put("separators", () -> rows(",".repeat(900_000)));
        kinds.put("one open quote", () -> rows("day,text\n2026-11-30,\"" + "a\n".repeat(450_000)));
        kinds.put("a thousand columns", () -> rows(thousandColumns()));
        kinds.put("deep YAML", () -> draft("report: " + "[".repeat(50_000)));
        kinds.put("columns computed from columns", () -> draft(chain()));
        kinds.put("text that grows", () -> draft(growing()));
        kinds.put("a wrong password", () -> house.status("POST", "session", JSON, wrongPassword()));
        kinds.put("a body of ten megabytes", () -> house.status("POST", "named-values", JSON, new byte[10_000_000]));
        kinds.put(
                "a form",
                () -> house.status("POST", "named-values", "application/x-www-form-urlencoded", bytes("a=b")));
        kinds.put(
                "deep JSON",
                () -> house.status("POST", "compositions", JSON, bytes("{\"terms\":" + "[".repeat(100_000))));
        kinds.put("a guessed link", () -> get("invitations/" + noise(43)));
    }

    /** All kinds once; by name, the status that each was answered with. */
    Map<String, Integer> round() {
        Map<String, Integer> answers = new LinkedHashMap<>();
        kinds.forEach((name, ask) -> answers.put(name, ask.getAsInt()));
        return answers;
    }

    /** Keeps some connections open that never send the rest; those that the server has closed are opened anew. */
    private int half() {
        try {
            if (halfSent.size() >= HALF_SENT) {
                halfSent.remove(0).close();
            }
            halfSent.add(house.connection("POST", "named-values", "Content-Length: 900", "{\"name\":"));
            return 0;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private int gone(String path) {
        try (Socket socket = house.connection("GET", path, "Accept: */*", "")) {
            House.pause(random.nextInt(30));
            return socket.isClosed() ? 1 : 0;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private int get(String path) {
        return house.status("GET", path, JSON, new byte[0]);
    }

    private int rows(String csv) {
        return house.status("POST", "data-sets/inspections?folder=1", TEXT, bytes(csv));
    }

    private int draft(String yaml) {
        return house.status(
                "POST",
                "reports/drafts",
                JSON,
                House.json(Map.of("folder", 1, "yaml", yaml, "page", "", "chartWidth", 300)));
    }

    private String noise(int length) {
        return random.ints(length, 'a', 'z' + 1).mapToObj(Character::toString).collect(Collectors.joining());
    }

    private byte[] wrongPassword() {
        return House.json(Map.of("address", noise(5_000) + "@example.org", "password", noise(2_000)));
    }

    private static String thousandColumns() {
        String names = IntStream.range(0, 1000).mapToObj(i -> "c" + i).collect(Collectors.joining(","));
        return names + "\n" + "1,".repeat(200_000);
    }

    private static String chain() {
        return report(199, "+");
    }

    private static String growing() {
        return report(60, "&");
    }

    /** Each column of the last by itself. */
    private static String report(int columns, String operator) {
        String computed = IntStream.range(1, columns)
                .mapToObj(i -> "  c" + i + ": c" + (i - 1) + " " + operator + " c" + (i - 1) + "\n")
                .collect(Collectors.joining());
        return """
                report: Hostile
                about: Computes more than anybody wants.
                data: sailings
                compute:
                  c0: %s
                %smeasures:
                  n: {title: Rows, count: rows}
                pages:
                  - page: One
                    blocks:
                      - {table: c%d, title: All, measures: [n]}
                """.formatted(operator.equals("&") ? "route & vessel" : "delay", computed, columns - 1);
    }

    private static byte[] bytes(String text) {
        return text.getBytes(UTF_8);
    }
}
