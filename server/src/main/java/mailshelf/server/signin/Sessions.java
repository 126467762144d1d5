package mailshelf.server.signin;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import mailshelf.core.rights.Person;
import mailshelf.store.Database;
import mailshelf.store.people.SessionStore;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpRequestResponseHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;

/**
 * Sessions: a random token in a cookie that scripts cannot read, and a row in the tables. What a request's session is, is
 * read anew each time, so that one that is ended is over at once, at every server.
 */
@Component
public class Sessions implements SecurityContextRepository {
    /** One that is not used for so long is over. */
    private static final Duration IDLE = Duration.ofHours(12);

    /** How exactly it is known when one was last used, so that not every request writes. */
    private static final Duration EXACT = Duration.ofMinutes(1);

    private static final String COOKIE = "MAILSHELF";

    private final Database database;
    private final SessionStore sessions;
    private final InstantSource machineClock;

    Sessions(Database database, SessionStore sessions, InstantSource machineClock) {
        this.database = database;
        this.sessions = sessions;
        this.machineClock = machineClock;
    }

    /** Begins one, and ends the one that the request came with. */
    void begin(Person person, HttpServletRequest request, HttpServletResponse response) {
        String token = Tokens.fresh();
        String agent =
                Optional.ofNullable(request.getHeader(HttpHeaders.USER_AGENT)).orElse("");
        Instant now = machineClock.instant();
        Optional<SessionStore.Session> before = of(request);
        database.doInTransaction(tx -> {
            before.ifPresent(session -> sessions.end(tx, session.id(), session.person()));
            sessions.forget(tx, usedSince());
            sessions.begin(tx, token, person.id(), now, request.getRemoteAddr(), agent);
        });
        setCookie(request, response, token, Duration.ofSeconds(-1)); // until the browser is closed
    }

    /** Ends the one that the request came with. */
    void end(HttpServletRequest request, HttpServletResponse response) {
        of(request)
                .ifPresent(session -> database.doInTransaction(tx -> sessions.end(tx, session.id(), session.person())));
        setCookie(request, response, "", Duration.ZERO);
        SecurityContextHolder.clearContext();
    }

    private static void setCookie(
            HttpServletRequest request, HttpServletResponse response, String token, Duration life) {
        ResponseCookie cookie = ResponseCookie.from(COOKIE, token)
                .httpOnly(true)
                .secure(request.isSecure())
                .sameSite("Lax")
                .path("/")
                .maxAge(life)
                .build();
        response.addHeader(HttpHeaders.SET_COOKIE, cookie.toString());
    }

    /** Who was not seen since then is signed in no more. */
    Instant usedSince() {
        return machineClock.instant().minus(IDLE);
    }

    /** The one that a request came with, if it still holds. */
    Optional<SessionStore.Session> of(HttpServletRequest request) {
        return token(request)
                .flatMap(token -> database.inTransaction(tx -> {
                    Optional<SessionStore.Session> found = sessions.find(tx, token, usedSince());
                    Instant now = machineClock.instant();
                    found.filter(session -> session.seenAt().plus(EXACT).isBefore(now))
                            .ifPresent(session -> sessions.seen(tx, session.id(), now));
                    return found;
                }));
    }

    private static Optional<String> token(HttpServletRequest request) {
        return Optional.ofNullable(request.getCookies()).stream()
                .flatMap(cookies -> Arrays.stream(cookies))
                .filter(cookie -> cookie.getName().equals(COOKIE))
                .map(Cookie::getValue)
                .findFirst();
    }

    @Override
    @SuppressWarnings("deprecation") // still what the interface asks for
    public SecurityContext loadContext(HttpRequestResponseHolder exchange) {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        of(exchange.getRequest())
                .ifPresent(session -> context.setAuthentication(
                        UsernamePasswordAuthenticationToken.authenticated(session.person(), null, List.of())));
        return context;
    }

    /** A session is begun by signing in, and by nothing else. */
    @Override
    public void saveContext(SecurityContext context, HttpServletRequest request, HttpServletResponse response) {
        // nothing to save
    }

    @Override
    public boolean containsContext(HttpServletRequest request) {
        return token(request).isPresent();
    }
}
