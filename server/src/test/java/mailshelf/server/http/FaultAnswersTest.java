package mailshelf.server.http;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.Filter;
import jakarta.servlet.http.HttpServlet;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import mailshelf.store.StoreException;
import org.apache.catalina.Context;
import org.apache.catalina.LifecycleException;
import org.apache.catalina.startup.Tomcat;
import org.apache.tomcat.util.descriptor.web.FilterDef;
import org.apache.tomcat.util.descriptor.web.FilterMap;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

/** A filter that fails before any controller is asked, as the look at a session does on a full disk. */
class FaultAnswersTest {
    private volatile RuntimeException fault;
    private Tomcat tomcat;

    @BeforeEach
    void start() throws LifecycleException {
        tomcat = new Tomcat();
        tomcat.setBaseDir(System.getProperty("java.io.tmpdir"));
        tomcat.setPort(0);
        tomcat.getConnector().setProperty("address", "127.0.0.1");
        Context context = tomcat.addContext("", null);
        add(context, "answers", new FaultAnswers(new ProblemWriter(new JsonMapper())));
        add(context, "fails", (request, response, chain) -> {
            throw fault;
        });
        Tomcat.addServlet(context, "nothing", new HttpServlet() {}).addMapping("/");
        tomcat.start();
    }

    private static void add(Context context, String name, Filter filter) {
        FilterDef definition = new FilterDef();
        definition.setFilterName(name);
        definition.setFilter(filter);
        context.addFilterDef(definition);
        FilterMap everywhere = new FilterMap();
        everywhere.setFilterName(name);
        everywhere.addURLPattern("/*");
        context.addFilterMap(everywhere);
    }

    @AfterEach
    void stop() throws LifecycleException {
        tomcat.stop();
        tomcat.destroy();
    }

    @Test
    void a_session_that_cannot_be_read_is_answered_whole() throws Exception {
        fault = new StoreException("A transaction failed", new IOException("No space left on device"));

        HttpResponse<String> answer = get("/api/v1/shelf");

        assertThat(answer.statusCode()).isEqualTo(503);
        assertThat(answer.body()).contains("\"code\":\"server.disk\"").contains("needs room");
    }

    @Test
    void who_comes_from_a_mail_gets_a_page() throws Exception {
        fault = new IllegalStateException("broken");

        HttpResponse<String> answer = get("/leave/abc");

        assertThat(answer.statusCode()).isEqualTo(500);
        assertThat(answer.headers().firstValue("Content-Type")).hasValue("text/html;charset=UTF-8");
        assertThat(answer.body()).contains("<h1>Something failed inside Mail Shelf.</h1>");
    }

    private HttpResponse<String> get(String path) throws Exception {
        int port = tomcat.getConnector().getLocalPort();
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
    }
}
