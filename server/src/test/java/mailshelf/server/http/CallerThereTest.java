package mailshelf.server.http;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.http.HttpServlet;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import mailshelf.core.work.StillWanted;
import org.apache.catalina.Context;
import org.apache.catalina.LifecycleException;
import org.apache.catalina.startup.Tomcat;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A servlet that computes for ever, and callers that hang up, over real connections. */
class CallerThereTest {
    private static final String HEAD = " / HTTP/1.1\r\nHost: localhost\r\n";
    private static final String GET = "GET" + HEAD + "\r\n";

    private final CountDownLatch begun = new CountDownLatch(1);
    private final CountDownLatch ended = new CountDownLatch(1);
    private volatile boolean isToEnd;
    private Tomcat tomcat;

    @BeforeEach
    void start() throws LifecycleException {
        tomcat = new Tomcat();
        tomcat.setBaseDir(System.getProperty("java.io.tmpdir"));
        tomcat.setPort(0);
        tomcat.getConnector().setProperty("address", "127.0.0.1");
        Context context = tomcat.addContext("", null);
        context.getPipeline().addValve(new CallerThere());
        Tomcat.addServlet(context, "endless", new Endless()).addMapping("/");
        tomcat.start();
    }

    @AfterEach
    void stop() throws LifecycleException {
        isToEnd = true;
        tomcat.stop();
        tomcat.destroy();
    }

    /** Goes on until the caller has gone, or it is told to end. */
    @SuppressWarnings("serial") // no servlet is ever written anywhere
    private final class Endless extends HttpServlet {
        @Override
        protected void service(HttpServletRequest request, HttpServletResponse response) throws IOException {
            request.getInputStream().readAllBytes();
            StillWanted.by((BooleanSupplier) request.getAttribute(CallerThere.ATTRIBUTE));
            begun.countDown();
            try {
                while (!isToEnd) {
                    StillWanted.require();
                    Thread.onSpinWait();
                }
                response.getWriter().print("done");
            } catch (StillWanted.NobodyWaits e) {
                ended.countDown();
            } finally {
                StillWanted.byAnybody();
            }
        }
    }

    private Socket ask(String request) throws IOException {
        Socket caller = new Socket(
                InetAddress.getLoopbackAddress(), tomcat.getConnector().getLocalPort());
        caller.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
        return caller;
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                GET,
                "POST" + HEAD + "Content-Length: 4\r\n\r\nrows",
                "POST" + HEAD + "Transfer-Encoding: chunked\r\n\r\n4\r\nrows\r\n0\r\n\r\n"
            })
    void what_a_caller_asked_for_ends_when_they_hang_up(String request) throws Exception {
        Socket caller = ask(request);
        assertThat(begun.await(30, TimeUnit.SECONDS)).isTrue();
        assertThat(ended.await(300, TimeUnit.MILLISECONDS)).isFalse();
        caller.close();

        assertThat(ended.await(30, TimeUnit.SECONDS)).isTrue();
    }

    @Test
    void who_has_sent_the_next_request_already_is_still_there() throws Exception {
        try (Socket caller = ask(GET + GET)) {
            assertThat(begun.await(30, TimeUnit.SECONDS)).isTrue();
            assertThat(ended.await(300, TimeUnit.MILLISECONDS)).isFalse();
            isToEnd = true;
            caller.shutdownOutput();

            String answers = new String(caller.getInputStream().readAllBytes(), StandardCharsets.US_ASCII);
            assertThat(answers.split("done", -1)).hasSize(3);
        }
    }
}
