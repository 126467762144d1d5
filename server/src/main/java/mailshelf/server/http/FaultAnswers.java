package mailshelf.server.http;

import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import mailshelf.core.wording.Words;
import org.springframework.http.MediaType;

/**
 * Answers what fails outside the controllers, such as the look at a session while the disk is full: without it Tomcat would
 * break the connection in the middle of an answer. A caller that has gone needs none.
 */
final class FaultAnswers implements Filter {
    private final ProblemWriter problems;

    FaultAnswers(ProblemWriter problems) {
        this.problems = problems;
    }

    @Override
    public void doFilter(ServletRequest request, ServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        try {
            chain.doFilter(request, response);
        } catch (ServletException | RuntimeException e) {
            if (response.isCommitted()) {
                throw e;
            }
            answer((HttpServletRequest) request, (HttpServletResponse) response, e);
        }
    }

    private void answer(HttpServletRequest request, HttpServletResponse response, Exception e) throws IOException {
        boolean isOfServlet = e instanceof ServletException && e.getCause() != null;
        ProblemAnswers.Failure failure = ProblemAnswers.failure(isOfServlet ? e.getCause() : e);
        response.reset();
        if (request.getRequestURI().startsWith("/api/")) {
            problems.write(response, failure.status(), failure.problem(), request.getLocale());
        } else {
            Words words = Words.in(Languages.supported(request.getLocale()));
            List<String> sentences = failure.problem().sentences(words);
            response.setStatus(failure.status().value());
            response.setContentType(MediaType.TEXT_HTML_VALUE);
            response.setCharacterEncoding(StandardCharsets.UTF_8);
            response.getOutputStream()
                    .write(PlainPage.failed(words, sentences.get(0), sentences.get(1) + " " + sentences.get(2))
                            .getBytes(StandardCharsets.UTF_8));
        }
    }
}
