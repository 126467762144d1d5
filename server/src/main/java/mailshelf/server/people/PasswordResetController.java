package mailshelf.server.people;

import jakarta.annotation.PreDestroy;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import mailshelf.core.Problem;
import mailshelf.core.rights.Person;
import mailshelf.server.signin.Throttle;
import mailshelf.store.Database;
import mailshelf.store.people.PersonStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/**
 * Asking for a link to set a password that was forgotten. The answer, and the time it takes, are the same whether somebody
 * has the address or not: who it belongs to is looked up after it was given.
 */
@RestController
@RequestMapping("/api/v1/password-resets")
class PasswordResetController {
    private static final Logger LOG = LoggerFactory.getLogger(PasswordResetController.class);
    private static final int MOST_WAITING = 200;

    private final Database database;
    private final PersonStore people;
    private final Invite invite;
    private final Throttle throttle;
    private final ThreadPoolExecutor afterwards =
            new ThreadPoolExecutor(1, 1, 0, TimeUnit.SECONDS, new LinkedBlockingQueue<>(MOST_WAITING));

    record Forgotten(String address) {}

    PasswordResetController(Database database, PersonStore people, Invite invite, Throttle throttle) {
        this.database = database;
        this.people = people;
        this.invite = invite;
        this.throttle = throttle;
    }

    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    void post(@RequestBody Forgotten forgotten, HttpServletRequest request) {
        String address = forgotten.address().strip().toLowerCase(Locale.ROOT);
        throttle.count(List.of(Throttle.Key.reset(address), Throttle.Key.network(request.getRemoteAddr())));
        try {
            afterwards.execute(() -> mail(address));
        } catch (RejectedExecutionException e) {
            throw new Problem(Problem.Kind.UNAVAILABLE, "signin.busy");
        }
    }

    private void mail(String address) {
        try {
            database.doInTransaction(tx ->
                    people.byAddress(tx, address).filter(Person::active).ifPresent(person -> invite.reset(tx, person)));
        } catch (RuntimeException e) {
            LOG.error("A link to set a password could not be mailed", e);
        }
    }

    @PreDestroy
    void end() {
        afterwards.shutdown();
    }
}
