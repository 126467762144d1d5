package mailshelf.server.http;

import java.util.stream.Collectors;
import mailshelf.core.Problem;
import org.springframework.http.converter.HttpMessageNotReadableException;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamReadException;

/** Says where the body of a request cannot be read, in words of the API rather than of what reads it. */
final class UnreadableBody {
    private UnreadableBody() {}

    static Problem problem(HttpMessageNotReadableException e) {
        if (e.getCause() instanceof StreamReadException notJson) {
            return Problem.invalid(
                    "request.not-json",
                    notJson.getLocation().getLineNr(),
                    notJson.getLocation().getColumnNr());
        }
        if (!(e.getCause() instanceof JacksonException fault) || fault.getPath().isEmpty()) {
            return Problem.invalid("request.unreadable");
        }
        // a value's own type says best what is wrong with it; the reader's words are about classes
        return fault.getCause() instanceof IllegalArgumentException own && own.getMessage() != null
                ? Problem.invalid("request.bad-value", path(fault), own.getMessage())
                : Problem.invalid("request.bad-field", path(fault));
    }

    /** As in {@code terms.pages[0]}. */
    private static String path(JacksonException fault) {
        return fault.getPath().stream()
                .map(step ->
                        step.getPropertyName() == null ? "[" + step.getIndex() + "]" : "." + step.getPropertyName())
                .collect(Collectors.joining())
                .replaceFirst("^\\.", "");
    }
}
