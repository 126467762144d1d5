package mailshelf.server.http;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;

/** Which requests may bring more than others. */
public interface LargeBodies {
    /**
     * How many bytes a request may bring; empty for what is like all others.
     *
     * @throws mailshelf.core.Problem where whoever asks may not bring anything there: then none of it is read
     */
    Optional<Long> mostBytes(HttpServletRequest request);
}
