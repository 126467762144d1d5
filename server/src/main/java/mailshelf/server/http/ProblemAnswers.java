package mailshelf.server.http;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URI;
import java.util.List;
import java.util.Locale;
import mailshelf.core.Problem;
import mailshelf.core.wording.Words;
import mailshelf.core.work.StillWanted;
import mailshelf.store.StoreException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;

/** Answers every fault as a problem document (RFC 9457) with a stable code and three sentences. */
@RestControllerAdvice
public class ProblemAnswers {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAnswers.class);

    /** One type for each code, by a tag URI (RFC 4151), as RFC 9457 recommends for what has no page of its own. */
    private static final String TYPE = "tag:mail-shelf.example,2026:problem:";

    /** One signs in at {@code /api/v1/session}; a scheme that no browser knows, so that none asks for a password itself. */
    static final String BY_SESSION = "Session realm=\"Mail Shelf\"";

    @ExceptionHandler
    ResponseEntity<ProblemDetail> problem(Problem problem, Locale locale) {
        return answer(status(problem.kind()), problem, locale);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unreadable(HttpMessageNotReadableException e, Locale locale) {
        return answer(HttpStatus.BAD_REQUEST, UnreadableBody.problem(e), locale);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> badParameter(MethodArgumentTypeMismatchException e, Locale locale) {
        Problem problem = Problem.invalid("request.bad-parameter", e.getName(), String.valueOf(e.getValue()));
        return answer(HttpStatus.BAD_REQUEST, problem, locale);
    }

    /** Nobody hears it. */
    @ExceptionHandler
    ResponseEntity<Void> nobodyWaits(StillWanted.NobodyWaits e, HttpServletRequest request) {
        LOG.debug("Not finished, as its caller has gone: {}", request.getRequestURI());
        return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE).build();
    }

    /** Outside the API a browser gets the web application, which says in its own way that nothing stands there. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> other(Exception e, HttpServletRequest request, Locale locale) throws Exception {
        if (!request.getRequestURI().startsWith("/api/")) {
            throw e;
        }
        if (e instanceof ErrorResponse known) {
            HttpStatus status = HttpStatus.valueOf(known.getStatusCode().value());
            Problem problem = status == HttpStatus.NOT_FOUND
                    ? Problem.notFound()
                    : Problem.invalid("request.refused", known.getBody().getDetail());
            HttpHeaders headers = new HttpHeaders(known.getHeaders());
            headers.setContentType(MediaType.APPLICATION_PROBLEM_JSON);
            return ResponseEntity.status(status).headers(headers).body(document(status, problem, locale));
        }
        Failure failure = failure(e);
        return answer(failure.status(), failure.problem(), locale);
    }

    record Failure(HttpStatus status, Problem problem) {}

    /** What is said where something failed inside; logs it. */
    static Failure failure(Throwable e) {
        LOG.error("A request failed", e);
        return e instanceof StoreException store && store.isOfDisk()
                ? new Failure(HttpStatus.SERVICE_UNAVAILABLE, Problem.invalid("server.disk"))
                : new Failure(HttpStatus.INTERNAL_SERVER_ERROR, Problem.invalid("server.failed"));
    }

    /** The document for a problem, also for answers that do not come from a controller. */
    public static ProblemDetail document(HttpStatus status, Problem problem, Locale locale) {
        List<String> sentences = problem.sentences(Words.in(Languages.supported(locale)));
        ProblemDetail document = ProblemDetail.forStatusAndDetail(status, String.join(" ", sentences));
        document.setType(URI.create(TYPE + problem.code()));
        document.setTitle(sentences.get(0));
        document.setProperty("code", problem.code());
        document.setProperty("happened", sentences.get(0));
        document.setProperty("means", sentences.get(1));
        document.setProperty("todo", sentences.get(2));
        if (!problem.faults().isEmpty()) {
            document.setProperty("faults", problem.faults());
        }
        return document;
    }

    private static ResponseEntity<ProblemDetail> answer(HttpStatus status, Problem problem, Locale locale) {
        ResponseEntity.BodyBuilder answer = ResponseEntity.status(status);
        if (status == HttpStatus.UNAUTHORIZED) {
            answer.header(HttpHeaders.WWW_AUTHENTICATE, BY_SESSION);
        }
        return answer.body(document(status, problem, locale));
    }

    static HttpStatus status(Problem.Kind kind) {
        return switch (kind) {
            case INVALID -> HttpStatus.UNPROCESSABLE_CONTENT;
            case NOT_SIGNED_IN -> HttpStatus.UNAUTHORIZED;
            case FORBIDDEN -> HttpStatus.FORBIDDEN;
            case NOT_FOUND -> HttpStatus.NOT_FOUND;
            case CONFLICT -> HttpStatus.CONFLICT;
            case STALE -> HttpStatus.PRECONDITION_FAILED;
            case TOO_MANY -> HttpStatus.TOO_MANY_REQUESTS;
            case TOO_LARGE -> HttpStatus.CONTENT_TOO_LARGE;
            case UNAVAILABLE -> HttpStatus.SERVICE_UNAVAILABLE;
        };
    }
}
