package mailshelf.e2e;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import mailshelf.e2e.Api.Refusal;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Requests that nobody honest sends: they are refused in words, and keep nobody else out. */
class HostileRequestsTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("hostile-requests");

    /** More than the server has threads. */
    private static final int HALF_SENT = 300;

    private static final Duration SOON = Duration.ofSeconds(10);
    private static final int SLOWEST_SECONDS = 45;

    private static final List<Socket> OPEN = new ArrayList<>();
    private static Api ida;

    @BeforeAll
    static void send_half_of_many_requests() throws IOException {
        ida = DEMO.as("Ida Solvang");
        for (int i = 0; i < HALF_SENT; i++) {
            OPEN.add(halfSent(i % 2 == 0 ? "/api/v1/session" : "/api/v1/named-values", ida));
        }
    }

    @AfterAll
    static void hang_up() throws IOException {
        for (Socket socket : OPEN) {
            socket.close();
        }
    }

    private static Socket halfSent(String path, Api who) throws IOException {
        URI server = URI.create(DEMO.server().url());
        Socket socket = new Socket(server.getHost(), server.getPort());
        String token = who.cookie("XSRF-TOKEN").orElseThrow();
        socket.getOutputStream()
                .write(("""
                POST %s HTTP/1.1\r
                Host: %s:%d\r
                Content-Type: application/json\r
                Content-Length: 900\r
                Cookie: MAILSHELF=%s; XSRF-TOKEN=%s\r
                X-XSRF-TOKEN: %s\r
                \r
                {"address":""")
                        .formatted(
                                path,
                                server.getHost(),
                                server.getPort(),
                                who.cookie("MAILSHELF").orElseThrow(),
                                token,
                                token)
                        .getBytes(UTF_8));
        return socket;
    }

    @Test
    void half_sent_requests_keep_nobody_out_and_are_answered_after_a_while() throws IOException {
        long begun = System.nanoTime();
        ida.get("subscriptions");
        Refusal refused =
                DEMO.as("Tor Egeland").refused("POST", "session", Map.of("address", "a@b.example", "password", "x"));
        assertThat(Duration.ofNanos(System.nanoTime() - begun)).isLessThan(SOON);
        assertThat(refused.code()).isEqualTo("signin.wrong");

        Socket last = OPEN.get(HALF_SENT - 1);
        last.setSoTimeout((int) Duration.ofSeconds(SLOWEST_SECONDS).toMillis());
        assertThat(new String(last.getInputStream().readNBytes(12), UTF_8)).isIn("HTTP/1.1 408", "HTTP/1.1 400");
    }

    @Test
    void more_than_a_request_may_bring_is_refused_by_its_length_alone() {
        Map<String, String> much = Map.of("address", "a".repeat(20_000), "password", "x");

        assertThat(ida.refused("POST", "session", much).status()).isEqualTo(413);

        Refusal refused = ida.refused("POST", "named-values", Map.of("name", "a".repeat(1_100_000)));
        assertThat(refused.status()).isEqualTo(413);
        assertThat(refused.says()).contains("1,048 kB");
    }

    @Test
    void rows_are_taken_from_whoever_may_load_them_alone() {
        byte[] rows = "date\n".repeat(400_000).getBytes(UTF_8);

        HttpResponse<byte[]> answer = ida.upload("data-sets/1/loads", rows);

        assertThat(answer.statusCode()).isIn(403, 404);
    }

    @Test
    void a_file_of_separators_is_refused_at_once() {
        Api administrator = DEMO.as("Sunniva Rein");
        byte[] separators = ",".repeat(900_000).getBytes(UTF_8);
        long begun = System.nanoTime();

        HttpResponse<byte[]> answer = administrator.upload("data-sets/inspections?folder=1", separators);

        assertThat(Duration.ofNanos(System.nanoTime() - begun)).isLessThan(SOON);
        Refusal refused = Api.refusal(answer);
        assertThat(refused.code()).isEqualTo("data.too-many-columns");
        assertThat(refused.says()).contains("900,001");
    }

    @Test
    void forms_are_not_taken() {
        HttpResponse<byte[]> answer =
                ida.upload("named-values", "a=b".getBytes(UTF_8), "application/x-www-form-urlencoded");

        assertThat(Api.refusal(answer).code()).isEqualTo("request.form");
    }
}
