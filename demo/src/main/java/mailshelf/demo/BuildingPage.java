package mailshelf.demo;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import mailshelf.core.Problem;
import mailshelf.core.wording.Words;
import mailshelf.server.http.Languages;
import mailshelf.server.http.PlainPage;
import mailshelf.server.http.ProblemWriter;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Keeps everybody out while the demo is being built, and shows how far it is: otherwise lists and the clock would change
 * under people's hands.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class BuildingPage extends OncePerRequestFilter {
    private static final int AGAIN_SECONDS = 2;

    private final DemoProgress progress;
    private final DemoSignIn signIn;
    private final ProblemWriter problems;

    BuildingPage(DemoProgress progress, DemoSignIn signIn, ProblemWriter problems) {
        this.progress = progress;
        this.signIn = signIn;
        this.problems = problems;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain rest)
            throws ServletException, IOException {
        if (progress.isDone()
                || signIn.isOwn(request)
                || request.getRequestURI().startsWith("/actuator/")) {
            rest.doFilter(request, response);
            return;
        }
        response.setHeader(HttpHeaders.RETRY_AFTER, String.valueOf(AGAIN_SECONDS));
        if (request.getRequestURI().startsWith("/api/")) {
            problems.write(
                    response,
                    HttpStatus.SERVICE_UNAVAILABLE,
                    Problem.invalid("demo.building", progress.percent()),
                    request.getLocale());
            return;
        }
        Words words = Words.in(Languages.supported(request.getLocale()));
        response.setStatus(HttpStatus.SERVICE_UNAVAILABLE.value());
        response.setContentType(MediaType.TEXT_HTML_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8);
        response.getWriter()
                .write(PlainPage.progress(
                        words,
                        words.say("demo.building.title"),
                        words.say("demo.building.text"),
                        words.say("demo.building.percent", progress.percent()),
                        progress.percent(),
                        AGAIN_SECONDS));
    }
}
