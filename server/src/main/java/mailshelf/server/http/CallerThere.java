package mailshelf.server.http;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.util.function.BooleanSupplier;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;

/** Gives each request a way to find out whether its caller is still connected, which the servlet API has none for. */
final class CallerThere extends ValveBase {
    /** The request's attribute that holds a {@link BooleanSupplier}; for the thread that answers the request alone. */
    static final String ATTRIBUTE = CallerThere.class.getName();

    CallerThere() {
        super(true);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        BooleanSupplier isThere = () -> !hasGone(request.getCoyoteRequest());
        request.setAttribute(ATTRIBUTE, isThere);
        getNext().invoke(request, response);
    }

    /**
     * Looks at the connection without waiting: at its end Tomcat says that there is something to read, so that whoever
     * reads it is told, but has nothing. What a caller has sent ahead, its next request, stays for later.
     */
    private static boolean hasGone(org.apache.coyote.Request request) {
        return available(request, true) && !available(request, false);
    }

    private static boolean available(org.apache.coyote.Request request, boolean looks) {
        request.action(ActionCode.AVAILABLE, looks);
        return request.getAvailable() > 0;
    }
}
