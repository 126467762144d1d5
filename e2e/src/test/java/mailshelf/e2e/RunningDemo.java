package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** A demo of its own for a test class, on a copy of the data, with a browser where one is asked for. */
final class RunningDemo implements BeforeAllCallback, AfterAllCallback {
    private final String name;
    private RunningServer server;
    private Reader reader;

    RunningDemo(String name) {
        this.name = name;
    }

    @Override
    public void beforeAll(ExtensionContext context) {
        server = RunningServer.at(Moments.START, DemoData.copy(name));
    }

    @Override
    public void afterAll(ExtensionContext context) {
        if (reader != null) {
            assertThat(reader.complaints()).isEmpty();
            reader.close();
        }
        // none where the class is left out, as something that it needs is not on this machine
        if (server != null) {
            server.close();
        }
    }

    RunningServer server() {
        return server;
    }

    Api as(String person) {
        return Api.as(server, person);
    }

    /** The one browser of the class; its pages may not complain. */
    Reader reader() {
        if (reader == null) {
            reader = Reader.at(server);
        }
        return reader;
    }
}
