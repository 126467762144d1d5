package mailshelf.server.http;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import mailshelf.core.Problem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;

/**
 * Takes the body of a request as a whole before anything is done with it, without a thread that waits for it: bodies that
 * trickle in, or never come, keep nobody else out. Each has a size and a time that it may take.
 */
final class WholeBodies implements Filter {
    private static final Logger LOG = LoggerFactory.getLogger(WholeBodies.class);
    private static final String BODY = WholeBodies.class.getName() + ".body";
    private static final Duration LONGEST = Duration.ofSeconds(30);
    private static final int AT_ONCE = 1 << 16;

    private final Takes takes;
    private final ProblemWriter problems;

    /** How the body of a request is taken. */
    interface Takes {
        /**
         * Where it is put; empty where it is not for this filter.
         *
         * @throws Problem where the request is refused without looking at its body
         */
        Optional<Taken> body(HttpServletRequest request) throws IOException;
    }

    /** @param longest how long all of it may take */
    record Taken(Body body, long most, Duration longest) {
        Taken(Body body, long most) {
            this(body, most, LONGEST);
        }
    }

    WholeBodies(Takes takes, ProblemWriter problems) {
        this.takes = takes;
        this.problems = problems;
    }

    @Override
    public void doFilter(ServletRequest any, ServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        HttpServletRequest request = (HttpServletRequest) any;
        HttpServletResponse answer = (HttpServletResponse) response;
        if (request.getAttribute(BODY) instanceof OfFilter there) {
            if (there.filter() == this) {
                request.removeAttribute(BODY);
                try (Body body = there.body()) {
                    chain.doFilter(new BufferedRequest(request, body), response);
                }
                return;
            }
            chain.doFilter(request, response);
            return;
        }
        if (!hasBody(request)) {
            chain.doFilter(request, response);
            return;
        }
        try {
            Optional<Taken> taken = takes.body(request);
            if (taken.isEmpty()) {
                chain.doFilter(request, response);
            } else {
                new Reading(request, answer, taken.get()).begin();
            }
        } catch (Problem e) {
            refuse(request, answer, ProblemAnswers.status(e.kind()), e);
        }
    }

    private record OfFilter(WholeBodies filter, Body body) {}

    private static boolean hasBody(HttpServletRequest request) {
        return request.getContentLengthLong() > 0 || request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null;
    }

    private void refuse(HttpServletRequest request, HttpServletResponse response, HttpStatus status, Problem problem)
            throws IOException {
        response.setHeader(HttpHeaders.CONNECTION, "close"); // the rest of the body is not wanted
        problems.write(response, status, problem, request.getLocale());
    }

    /** One body on its way; its callbacks come one at a time. */
    private final class Reading implements ReadListener, AsyncListener {
        private final HttpServletRequest request;
        private final HttpServletResponse response;
        private final Taken taken;
        private final AtomicBoolean over = new AtomicBoolean();
        private AsyncContext async;
        private ServletInputStream in;

        Reading(HttpServletRequest request, HttpServletResponse response, Taken taken) {
            this.request = request;
            this.response = response;
            this.taken = taken;
        }

        void begin() throws IOException {
            if (request.getContentLengthLong() > taken.most()) {
                taken.body().close();
                throw tooLarge();
            }
            async = request.startAsync();
            async.setTimeout(taken.longest().toMillis());
            async.addListener(this);
            in = request.getInputStream();
            in.setReadListener(this);
        }

        private Problem tooLarge() {
            return new Problem(Problem.Kind.TOO_LARGE, "request.too-large", Math.max(1, taken.most() / 1000));
        }

        @Override
        public void onDataAvailable() throws IOException {
            byte[] some = new byte[AT_ONCE];
            while (!over.get() && in.isReady() && !in.isFinished()) {
                int read = in.read(some);
                if (read > 0 && !taken.body().add(some, read)) {
                    end(HttpStatus.CONTENT_TOO_LARGE, tooLarge());
                    return;
                }
            }
        }

        @Override
        public void onAllDataRead() throws IOException {
            if (over.compareAndSet(false, true)) {
                taken.body().end();
                request.setAttribute(BODY, new OfFilter(WholeBodies.this, taken.body()));
                async.dispatch();
            }
        }

        private void end(HttpStatus status, Problem problem) throws IOException {
            if (over.compareAndSet(false, true)) {
                taken.body().close();
                refuse(request, response, status, problem);
                async.complete();
            }
        }

        /** The caller has gone, or sends what is no HTTP; or the disk took no more of it. */
        @Override
        public void onError(Throwable failure) {
            LOG.debug("A body was not sent to its end", failure);
            giveUp();
        }

        private void giveUp() {
            if (over.compareAndSet(false, true)) {
                try {
                    taken.body().close();
                    refuse(request, response, HttpStatus.BAD_REQUEST, Problem.invalid("request.unreadable"));
                } catch (IOException e) {
                    LOG.debug("Nobody is there to be answered", e);
                }
                async.complete();
            }
        }

        @Override
        public void onTimeout(AsyncEvent event) throws IOException {
            long seconds = taken.longest().toSeconds();
            end(HttpStatus.REQUEST_TIMEOUT, Problem.invalid("request.too-slow", seconds));
        }

        @Override
        public void onError(AsyncEvent event) {
            giveUp();
        }

        @Override
        public void onComplete(AsyncEvent event) {
            // nothing to do: the body goes with the request
        }

        @Override
        public void onStartAsync(AsyncEvent event) {
            // nothing to do: a file that is sent later needs no body
        }
    }
}
