package mailshelf.server.http;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.server.HouseSettings;
import mailshelf.server.http.WholeBodies.Taken;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;

/**
 * How much requests may bring: little where nobody has signed in yet, then as much as a report's text needs, and as much as
 * is allowed where rows are loaded.
 */
@Configuration(proxyBeanMethods = false)
class BodySetup {
    private static final long MOST_BEFORE_SIGN_IN = 16_000;
    private static final long MOST = 1 << 20;
    private static final Duration LONGEST_LOAD = Duration.ofMinutes(30);

    /** With less room than this on the disk, no load is taken. */
    private static final long ROOM = 100_000_000;

    /** Where one need not be signed in. */
    private static final Pattern PUBLIC =
            Pattern.compile("/api/v1/(session|invitations|password-resets|address-changes|demo)(/.*)?|/leave/.*");

    private static final String FORM = "application/x-www-form-urlencoded";

    private static final int FIRST = Ordered.HIGHEST_PRECEDENCE + 1;

    private final ProblemWriter problems;

    BodySetup(ProblemWriter problems) {
        this.problems = problems;
    }

    /** Before all that looks at who asks, since who has not signed in is looked at by no other. */
    @Bean
    FilterRegistrationBean<WholeBodies> publicBodies() {
        return registered(FIRST, request -> {
            boolean isPublic = PUBLIC.matcher(request.getRequestURI()).matches();
            String type = Optional.ofNullable(request.getContentType()).orElse("");
            if (!isPublic && (type.startsWith(FORM) || type.startsWith("multipart/"))) {
                throw Problem.invalid("request.form");
            }
            return isPublic
                    ? Optional.of(new Taken(Body.inMemory(MOST_BEFORE_SIGN_IN), MOST_BEFORE_SIGN_IN))
                    : Optional.empty();
        });
    }

    /** Behind the security filters: what nobody may ask for is refused before a byte of it is read. */
    @Bean
    FilterRegistrationBean<WholeBodies> otherBodies(HouseSettings settings, List<LargeBodies> large) {
        Path spool = emptied(settings.data().resolve("spool").resolve(String.valueOf(settings.server())));
        return registered(0, request -> {
            if (PUBLIC.matcher(request.getRequestURI()).matches()) {
                return Optional.empty();
            }
            Optional<Long> most = large.stream()
                    .flatMap(each -> each.mostBytes(request).stream())
                    .findFirst();
            return Optional.of(
                    most.isPresent()
                            ? new Taken(inFile(request, most.get(), spool), most.get(), LONGEST_LOAD)
                            : new Taken(Body.inMemory(MOST), MOST));
        });
    }

    private FilterRegistrationBean<WholeBodies> registered(int order, WholeBodies.Takes takes) {
        FilterRegistrationBean<WholeBodies> bean = new FilterRegistrationBean<>(new WholeBodies(takes, problems));
        bean.setOrder(order);
        bean.setDispatcherTypes(DispatcherType.REQUEST, DispatcherType.ASYNC);
        bean.setName(order == 0 ? "otherBodies" : "publicBodies");
        return bean;
    }

    private static Body inFile(HttpServletRequest request, long most, Path spool) throws IOException {
        long wanted = Math.max(0, request.getContentLengthLong());
        if (wanted <= most && Files.getFileStore(spool).getUsableSpace() < wanted + ROOM) {
            throw new Problem(Problem.Kind.UNAVAILABLE, "request.no-room");
        }
        return Body.inFile(most, spool);
    }

    /** What a server that was killed has left there. */
    private static Path emptied(Path spool) {
        try {
            Files.createDirectories(spool);
            try (Stream<Path> left = Files.list(spool)) {
                for (Path file : left.toList()) {
                    Files.delete(file);
                }
            }
            return spool;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
