package mailshelf.server.http;

import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Locale;
import java.util.regex.Pattern;
import mailshelf.core.Problem;
import mailshelf.server.HouseSettings;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Refuses requests for other hosts than the one that readers reach: a foreign name that leads here would make a page of
 * another site one of ours (DNS rebinding). This machine may always ask itself, and an address in numbers is no name.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class KnownHost implements Filter {
    /** A number leads where it says. */
    private static final Pattern NUMBERS = Pattern.compile("[0-9.]+|\\[[0-9a-f:.]+]|[0-9a-f:]*:[0-9a-f:.]*");

    private final String host;
    private final ProblemWriter problems;

    KnownHost(HouseSettings settings, ProblemWriter problems) {
        this.host = URI.create(settings.baseUrl()).getHost();
        this.problems = problems;
    }

    @Override
    public void doFilter(ServletRequest request, ServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        String asked = request.getServerName().toLowerCase(Locale.ROOT);
        if (asked.equalsIgnoreCase(host)
                || asked.equals("localhost")
                || NUMBERS.matcher(asked).matches()) {
            chain.doFilter(request, response);
        } else {
            problems.write(
                    (HttpServletResponse) response,
                    HttpStatus.MISDIRECTED_REQUEST,
                    Problem.invalid("request.other-host", host),
                    request.getLocale());
        }
    }
}
