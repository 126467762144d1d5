package mailshelf.e2e;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A server whose readers come by a proxy with TLS, asked as that proxy asks. */
class BehindProxyTest {
    private static final String HOST = "shelf.brinewater.example";

    @TempDir
    private Path folder;

    private int port;

    @Test
    void cookies_are_secure_and_of_this_host_and_a_foreign_name_is_refused() throws Exception {
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        Path out = folder.resolve("out");
        Process server = RunningServer.launch(
                out,
                "serve",
                "--data",
                folder.resolve("data").toString(),
                "--port",
                String.valueOf(port),
                "--base-url",
                "https://" + HOST,
                "--trusted-proxies",
                "127\\.0\\.0\\.1|0:0:0:0:0:0:0:1");
        try {
            Pattern link = Pattern.compile("https://" + HOST + "/invitations/(\\S+)");
            Wait.until("a link", () -> link.matcher(RunningServer.read(out)).find());
            Matcher found = link.matcher(RunningServer.read(out));
            assertThat(found.find()).isTrue();
            assertThatItIsSo(found.group(1));
        } finally {
            server.destroy();
            assertThat(server.waitFor(30, TimeUnit.SECONDS)).isTrue();
        }
    }

    private void assertThatItIsSo(String invitation) throws IOException {
        String session = get(HOST, "/api/v1/session", "");
        assertThat(session).contains("Strict-Transport-Security: max-age=31536000");
        String token = cookie(session, "XSRF-TOKEN").orElseThrow();
        assertThat(line(session, "XSRF-TOKEN")).contains("Secure");

        String body = "{\"password\":\"a ferry leaves at nine\"}";
        String signedIn = ask("""
                POST /api/v1/invitations/%s HTTP/1.1
                Host: %s
                X-Forwarded-Proto: https
                X-Forwarded-For: 192.0.2.7
                Cookie: XSRF-TOKEN=%s
                X-XSRF-TOKEN: %s
                Content-Type: application/json
                Content-Length: %d
                Connection: close

                %s""".formatted(invitation, HOST, token, token, body.length(), body));
        assertThat(signedIn).startsWith("HTTP/1.1 204");
        assertThat(line(signedIn, "__Host-MAILSHELF"))
                .contains("Secure")
                .contains("HttpOnly")
                .contains("Path=/")
                .doesNotContain("Domain");
        String mine = "__Host-MAILSHELF=" + cookie(signedIn, "__Host-MAILSHELF").orElseThrow();
        assertThat(get(HOST, "/api/v1/account/sessions", mine))
                .as("where somebody signed in from is the reader, not the proxy")
                .contains("192.0.2.7");

        assertThat(get("elsewhere.example", "/api/v1/session", "")).startsWith("HTTP/1.1 421");
        assertThat(get("inside\nX-Forwarded-Host: " + HOST, "/api/v1/session", ""))
                .as("the proxy says which name was asked for")
                .startsWith("HTTP/1.1 200");
        assertThat(get("127.0.0.1", "/actuator/health", ""))
                .startsWith("HTTP/1.1 200")
                .contains("\"UP\"");
        String asset = new String(get(HOST, "/", "").getBytes(UTF_8), UTF_8);
        Matcher script = Pattern.compile("/assets/[^\"]+\\.js").matcher(asset);
        assertThat(script.find()).isTrue();
        assertThat(get(HOST, script.group(), "")).startsWith("HTTP/1.1 200").doesNotContain("Set-Cookie");
    }

    private String get(String host, String path, String cookie) throws IOException {
        return ask("""
                GET %s HTTP/1.1
                Host: %s
                X-Forwarded-Proto: https
                X-Forwarded-For: 192.0.2.7
                Cookie: %s
                Connection: close

                """.formatted(path, host, cookie));
    }

    private String ask(String request) throws IOException {
        try (Socket socket = new Socket("127.0.0.1", port)) {
            socket.getOutputStream().write(request.replace("\n", "\r\n").getBytes(UTF_8));
            return new String(socket.getInputStream().readAllBytes(), UTF_8);
        }
    }

    private static String line(String answer, String cookie) {
        return answer.lines()
                .filter(line -> line.startsWith("Set-Cookie: " + cookie + "="))
                .findFirst()
                .orElse("");
    }

    private static Optional<String> cookie(String answer, String name) {
        return Optional.of(line(answer, name))
                .filter(line -> !line.isEmpty())
                .map(line -> line.replaceFirst("Set-Cookie: [^=]+=([^;]*).*", "$1"));
    }
}
