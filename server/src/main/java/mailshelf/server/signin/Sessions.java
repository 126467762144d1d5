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
import mailshelf.server.HouseSettings;
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

    /** However much one is used, it ends, so that a stolen one does. */
    private static final Duration LONGEST = Duration.ofDays(7);

    /** On a name that begins so, browsers insist that it is secure, and of this host alone (RFC 6265bis §4.1.3.2). */
    private static final String HOST_PREFIX = "__Host-";

    private final Database database;
    private final SessionStore sessions;
    private final InstantSource machineClock;
    private final boolean secure;
    private final String cookie;

    Sessions(Database database, SessionStore sessions, InstantSource machineClock, HouseSettings settings) {
        this.database = database;
        this.sessions = sessions;
        this.machineClock = machineClock;
        this.secure = settings.isSecure();
        this.cookie = secure ? HOST_PREFIX + "MAILSHELF" : "MAILSHELF";
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
            sessions.forget(tx, usedSince(), begunSince());
            sessions.begin(tx, token, person.id(), now, request.getRemoteAddr(), agent);
        });
        setCookie(response, token, Duration.ofSeconds(-1)); // until the browser is closed
    }

    /** Ends the one that the request came with. */
    void end(HttpServletRequest request, HttpServletResponse response) {
        of(request)
                .ifPresent(session -> database.doInTransaction(tx -> sessions.end(tx, session.id(), session.person())));
        setCookie(response, "", Duration.ZERO);
        SecurityContextHolder.clearContext();
    }

    private void setCookie(HttpServletResponse response, String token, Duration life) {
        ResponseCookie made = ResponseCookie.from(cookie, token)
                .httpOnly(true)
                .secure(secure)
                .sameSite("Lax")
                .path("/")
                .maxAge(life)
                .build();
        response.addHeader(HttpHeaders.SET_COOKIE, made.toString());
    }

    /** Who was not seen since then is signed in no more. */
    Instant usedSince() {
        return machineClock.instant().minus(IDLE);
    }

    /** Who signed in before then is signed in no more, however busy. */
    Instant begunSince() {
        return machineClock.instant().minus(LONGEST);
    }

    /** The one that a request came with, if it still holds. */
    Optional<SessionStore.Session> of(HttpServletRequest request) {
        return token(request)
                .flatMap(token -> database.inTransaction(tx -> {
                    Optional<SessionStore.Session> found = sessions.find(tx, token, usedSince(), begunSince());
                    Instant now = machineClock.instant();
                    found.filter(session -> session.seenAt().plus(EXACT).isBefore(now))
                            .ifPresent(session -> sessions.seen(tx, session.id(), now));
                    return found;
                }));
    }

    private Optional<String> token(HttpServletRequest request) {
        return Optional.ofNullable(request.getCookies()).stream()
                .flatMap(cookies -> Arrays.stream(cookies))
                .filter(each -> each.getName().equals(cookie))
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
