package mailshelf.server.signin;

import jakarta.servlet.http.HttpServletRequest;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.TextStyle;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import mailshelf.store.people.SessionStore;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** One's own account: by which clocks and weeks one reads, where one is signed in, and the password. */
@RestController
@RequestMapping("/api/v1")
class AccountController {
    /** By which weeks are counted somewhere. */
    private static final Set<DayOfWeek> FIRST_DAYS = EnumSet.of(DayOfWeek.MONDAY, DayOfWeek.SATURDAY, DayOfWeek.SUNDAY);

    private final Database database;
    private final Durable durable;
    private final SessionStore sessions;
    private final Sessions current;
    private final PersonStore people;
    private final Passwords passwords;
    private final Throttle throttle;
    private final Gate gate;
    private final AuditTrail audit;

    /** @param current whether it is the one that asks */
    record SessionLine(long id, Instant begunAt, Instant seenAt, String from, String agent, boolean current) {}

    /** By which clocks and weeks days are meant, for what one reads and for new subscriptions. */
    record Calendar(ZoneId zone, DayOfWeek firstDayOfWeek) {}

    record PasswordChange(String current, String wanted) {}

    /** @param ended how many sessions were ended */
    record Ended(int ended) {}

    AccountController(
            Database database,
            Durable durable,
            SessionStore sessions,
            Sessions current,
            PersonStore people,
            Passwords passwords,
            Throttle throttle,
            Gate gate,
            AuditTrail audit) {
        this.database = database;
        this.durable = durable;
        this.sessions = sessions;
        this.current = current;
        this.people = people;
        this.passwords = passwords;
        this.throttle = throttle;
        this.gate = gate;
        this.audit = audit;
    }

    @PutMapping("/account/calendar")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(Person who, @RequestBody Calendar wish) {
        if (!FIRST_DAYS.contains(wish.firstDayOfWeek())) {
            throw Problem.invalid("account.first-day");
        }
        database.doInTransaction(tx -> {
            Person before = people.find(tx, who.id()).orElseThrow();
            people.update(
                    tx,
                    new Person(
                            before.id(),
                            before.name(),
                            before.address(),
                            wish.zone(),
                            before.locale(),
                            wish.firstDayOfWeek(),
                            before.roles(),
                            before.active()));
            audit.keep(
                    tx,
                    who,
                    Act.PERSON_CHANGED,
                    Thing.of(before),
                    said(before.zone(), before.firstDayOfWeek()),
                    said(wish.zone(), wish.firstDayOfWeek()));
        });
        durable.await();
    }

    private static String said(ZoneId zone, DayOfWeek first) {
        return zone + ", weeks from " + first.getDisplayName(TextStyle.FULL, Locale.ENGLISH);
    }

    @GetMapping("/account/sessions")
    List<SessionLine> sessions(Person who, HttpServletRequest request) {
        Optional<Long> mine = mine(request);
        return database
                .inTransaction(tx -> sessions.of(tx, who.id(), current.usedSince(), current.begunSince()))
                .stream()
                .map(session -> new SessionLine(
                        session.id(),
                        session.begunAt(),
                        session.seenAt(),
                        session.from(),
                        session.agent(),
                        mine.filter(id -> id == session.id()).isPresent()))
                .toList();
    }

    private Optional<Long> mine(HttpServletRequest request) {
        return current.of(request).map(SessionStore.Session::id);
    }

    /** Ends one of one's own. */
    @DeleteMapping("/account/sessions/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(Person who, @PathVariable long id) {
        database.doInTransaction(tx -> {
            if (!sessions.end(tx, id, who.id())) {
                throw Problem.notFound();
            }
            keep(tx, who, who, 1);
        });
        durable.await();
    }

    /** Sets another password, and ends all other sessions: whoever knew the old one is out. */
    @PutMapping("/account/password")
    Ended change(Person who, @RequestBody PasswordChange wish, HttpServletRequest request) {
        List<Throttle.Key> key = List.of(Throttle.Key.of("change", who.id().value()));
        throttle.count(key);
        String hash =
                database.inTransaction(tx -> people.passwordHash(tx, who.id())).orElse("");
        if (!passwords.matches(wish.current(), hash)) {
            throttle.refused(key);
            throw Problem.invalid("account.wrong-password");
        }
        throttle.succeeded(key);
        String wanted = passwords.hash(wish.wanted());
        Optional<Long> mine = mine(request);
        int ended = database.inTransaction(tx -> passwords.set(tx, who, wanted, mine));
        durable.await();
        return new Ended(ended);
    }

    /** Signs somebody out everywhere. */
    @DeleteMapping("/people/{id}/sessions")
    Ended signOut(Person who, @PathVariable PersonId id, HttpServletRequest request) {
        gate.requireAdministrator(who);
        Optional<Long> mine = mine(request);
        int ended = database.inTransaction(tx -> {
            Person person = people.find(tx, id).orElseThrow(Problem::notFound);
            int many = sessions.endOthers(tx, id, mine);
            keep(tx, who, person, many);
            return many;
        });
        durable.await();
        return new Ended(ended);
    }

    private void keep(Tx tx, Person who, Person whose, int many) {
        audit.keep(tx, who, Act.SESSIONS_ENDED, Thing.of(whose), String.valueOf(many), "0");
    }
}
