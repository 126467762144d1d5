package mailshelf.demo;

import jakarta.servlet.http.HttpServletRequest;
import java.util.UUID;
import mailshelf.server.HouseSettings;
import org.springframework.stereotype.Component;

/** Gives the demo access to its own API, also while nobody else is let in. */
@Component
class DemoSignIn {
    static final String HEADER = "Demo-Builder";

    private final String key = UUID.randomUUID().toString();
    private final HouseSettings settings;

    DemoSignIn(HouseSettings settings) {
        this.settings = settings;
    }

    /** The API as this person uses it. */
    DemoApi as(long person) {
        return DemoApi.as(settings.baseUrl(), key, person);
    }

    /** Whether a request comes from the demo itself. */
    boolean isOwn(HttpServletRequest request) {
        return key.equals(request.getHeader(HEADER));
    }
}
