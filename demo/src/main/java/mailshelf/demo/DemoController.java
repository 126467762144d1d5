package mailshelf.demo;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.Problem;
import mailshelf.core.rights.Group;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Role;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.signin.SignIn;
import mailshelf.store.Database;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The demo's own conveniences: signing in by one click, and a clock that can be moved. */
@RestController
@RequestMapping("/api/v1")
class DemoController {
    private final Database database;
    private final PersonStore people;
    private final SubscriptionStore subscriptions;
    private final SignIn signIn;
    private final BusinessClock clock;
    private final MoveClock moveClock;
    private final InstantSource machineClock;

    record DemoPerson(PersonId id, String name, List<String> groups, Set<Role> roles) {}

    record Choice(PersonId person) {}

    record ClockView(Instant now, Optional<Instant> movingTo, Optional<Instant> nextSend) {}

    record ClockWish(Instant to) {}

    DemoController(
            Database database,
            PersonStore people,
            SubscriptionStore subscriptions,
            SignIn signIn,
            BusinessClock clock,
            MoveClock moveClock,
            InstantSource machineClock) {
        this.database = database;
        this.people = people;
        this.subscriptions = subscriptions;
        this.signIn = signIn;
        this.clock = clock;
        this.moveClock = moveClock;
        this.machineClock = machineClock;
    }

    @GetMapping("/demo/people")
    List<DemoPerson> people() {
        return database.inTransaction(tx -> {
            List<Group> groups = people.groups(tx);
            return people.all(tx).stream()
                    .filter(Person::active)
                    .map(person -> new DemoPerson(
                            person.id(),
                            person.name(),
                            groups.stream()
                                    .filter(group ->
                                            people.members(tx, group.id()).contains(person.id()))
                                    .map(Group::name)
                                    .toList(),
                            person.roles()))
                    .toList();
        });
    }

    @PostMapping("/demo/sign-in")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signIn(@RequestBody Choice choice, HttpServletRequest request, HttpServletResponse response) {
        Person person = database.inTransaction(tx -> people.find(tx, choice.person()))
                .filter(Person::active)
                .orElseThrow(Problem::notFound);
        signIn.start(person, request, response);
    }

    @GetMapping("/clock")
    ClockView clock(Person who) {
        return new ClockView(
                clock.instant(),
                moveClock.target(),
                database.inTransaction(tx -> subscriptions.nextDue(tx, machineClock.instant())));
    }

    /** To the next send of all, and a few seconds on, so that it is seen to have happened. */
    @PostMapping("/clock/next-send")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void nextSend(Person who) {
        Instant next = database.inTransaction(tx -> subscriptions.nextDue(tx, machineClock.instant()))
                .orElseThrow(() -> Problem.invalid("clock.nothing-due"));
        moveClock.begin(next.plusSeconds(5));
    }

    @PostMapping("/clock/move")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void move(Person who, @RequestBody ClockWish wish) {
        moveClock.begin(wish.to());
    }
}
