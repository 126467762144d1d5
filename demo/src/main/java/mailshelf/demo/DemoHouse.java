package mailshelf.demo;

import java.io.PrintStream;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Role;
import mailshelf.server.CannotStart;
import mailshelf.server.DemoSettings;
import mailshelf.server.HouseSettings;
import mailshelf.server.Opening;
import mailshelf.server.clock.BusinessClock;
import mailshelf.store.Database;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * Builds the demo's house once: only its administrator is put into the tables directly, since somebody must be there to
 * ask; all else goes through the API, as its people would do it. Then eight weeks pass by the clock, with real issues.
 */
@Component
class DemoHouse implements Opening {
    static final int MONTHS_OF_DATA = 24;
    private static final int WEEKS_OF_ISSUES = 8;
    static final String DOMAIN = "@brinewater.example";
    private static final String CREW_SUBJECT = "Crew hours of {value of routes I lead; your route}: {days}";
    private static final String CREW_TEXT = """
            Good morning {recipient},
            these are the hours on your route, {value of routes I lead; which nobody leads now}, with figures to {figures to}.
            Ask me before Tuesday where one surprises you; the rosters for next week follow from them.

            Marit""";

    private final Database database;
    private final PersonStore people;
    private final DemoState state;
    private final DemoLibrary library;
    private final DayLoads dayLoads;
    private final MoveClock moveClock;
    private final BusinessClock clock;
    private final InstantSource machineClock;
    private final HouseSettings settings;
    private final DemoSignIn signIn;
    private final DemoProgress progress;
    private final Map<String, Long> persons = new LinkedHashMap<>();

    DemoHouse(
            Database database,
            PersonStore people,
            DemoState state,
            DemoLibrary library,
            DayLoads dayLoads,
            MoveClock moveClock,
            BusinessClock clock,
            InstantSource machineClock,
            HouseSettings settings,
            DemoSignIn signIn,
            DemoProgress progress) {
        this.database = database;
        this.people = people;
        this.state = state;
        this.library = library;
        this.dayLoads = dayLoads;
        this.moveClock = moveClock;
        this.clock = clock;
        this.machineClock = machineClock;
        this.settings = settings;
        this.signIn = signIn;
        this.progress = progress;
    }

    @Override
    public void open(PrintStream out) throws CannotStart {
        progress.begin(out);
        if (state.isReady()) {
            goOn();
        } else {
            out.println(
                    "Building the demo; this takes about a minute. " + settings.baseUrl() + " shows how far it is.");
            build();
        }
        progress.begin(DemoProgress.Stage.DONE);
        out.println("Mail Shelf's demo answers at " + settings.baseUrl());
        out.println(
                "Sign in with one click as Marit Lunde (operations), Ida Solvang (route lead), Kirsti Vale (board),");
        out.println("Sunniva Rein (administrator) or one of four others.");
    }

    /** Time passes as it would have: what fell due meanwhile is sent, and the days' rows come in. */
    private void goOn() throws CannotStart {
        Optional<Instant> wanted = settings.demo().flatMap(DemoSettings::clock);
        if (wanted.isPresent()) {
            if (wanted.get().isBefore(clock.instant())) {
                throw new CannotStart("The demo's clock shows "
                        + clock.instant().atZone(DayLoads.ZONE).toOffsetDateTime()
                        + " already: choose a later --clock, or start anew with --fresh.");
            }
            moveClock.move(wanted.get());
        }
        dayLoads.upTo(clock.instant());
    }

    private void build() throws CannotStart {
        if (state.openingDay().isPresent()) {
            throw new CannotStart("The demo in " + settings.data()
                    + " was never finished: start it with --fresh, which empties that folder.");
        }
        Optional<Instant> wanted = settings.demo().flatMap(DemoSettings::clock);
        Instant opening = wanted.orElseGet(machineClock::instant);
        LocalDate today = opening.atZone(DayLoads.ZONE).toLocalDate();
        LocalDate past = today.minusWeeks(WEEKS_OF_ISSUES).minusDays(2);
        state.open(today);
        clock.moveTo(past.atTime(9, 0).atZone(DayLoads.ZONE).toInstant());
        try (DemoApi administrator = signIn.as(administrator())) {
            people(administrator);
            state.loader(persons.get("Sunniva Rein"));
            Map<String, Long> groups = groups(administrator);
            Map<String, Long> folders = library.begin(administrator, groups, past.minusDays(1));
            subscriptions();
            progress.begin(DemoProgress.Stage.WEEKS);
            passEightWeeks(administrator, opening);
            if (wanted.isEmpty()) {
                clock.moveTo(machineClock.instant());
            }
            progress.begin(DemoProgress.Stage.LIBRARY);
            library.grow(administrator, groups, folders, persons.get("Kirsti Vale"));
            laterSubscriptions();
        }
        state.ready();
    }

    private long administrator() {
        PersonId id = database.inTransaction(tx -> people.insert(
                tx,
                new Person(
                        new PersonId(0),
                        "Sunniva Rein",
                        "sunniva.rein" + DOMAIN,
                        DayLoads.ZONE,
                        Locale.ENGLISH,
                        DayOfWeek.MONDAY,
                        Set.of(Role.ADMINISTRATOR),
                        true),
                Optional.empty()));
        persons.put("Sunniva Rein", id.value());
        return id.value();
    }

    private void people(DemoApi administrator) {
        for (String name : List.of(
                "Marit Lunde", "Ida Solvang", "Tor Egeland", "Jon Aasen", "Rita Bø", "Anders Moe", "Kirsti Vale")) {
            String address = name.toLowerCase(Locale.ROOT).replace(" ", ".").replace("ø", "o") + DOMAIN;
            long id = administrator
                    .post(
                            "/api/v1/people",
                            Map.of("name", name, "address", address, "zone", "Europe/Oslo", "roles", List.of()))
                    .get("id")
                    .asLong();
            persons.put(name, id);
        }
    }

    private Map<String, Long> groups(DemoApi administrator) {
        Map<String, List<String>> members = new LinkedHashMap<>();
        members.put("Operations", List.of("Marit Lunde", "Sunniva Rein"));
        members.put("Route leads", List.of("Ida Solvang", "Tor Egeland", "Jon Aasen", "Rita Bø"));
        members.put("Board", List.of("Anders Moe", "Kirsti Vale"));
        Map<String, Long> groups = new LinkedHashMap<>();
        members.forEach((name, names) -> {
            long id = administrator
                    .post("/api/v1/groups", Map.of("name", name))
                    .get("id")
                    .asLong();
            List<Long> ids = names.stream().map(persons::get).toList();
            administrator.put("/api/v1/groups/" + id + "/members", Map.of("people", ids));
            groups.put(name, id);
        });
        return groups;
    }

    private void subscriptions() {
        try (DemoApi marit = signIn.as(persons.get("Marit Lunde"))) {
            ofOperations(marit);
        }
        try (DemoApi ida = signIn.as(persons.get("Ida Solvang"))) {
            ofRouteLead(ida);
        }
    }

    /** Of reports that came later; nothing has been sent of them yet. */
    private void laterSubscriptions() {
        try (DemoApi marit = signIn.as(persons.get("Marit Lunde"))) {
            subscribe(
                    marit,
                    Map.of(
                            "name", "Crew hours, each lead their own route",
                            "content", pages(report(marit, "Crew hours"), "last-week", "hours"),
                            "recipients", ids("Ida Solvang", "Tor Egeland", "Jon Aasen", "Rita Bø"),
                            "output", Map.of("pdf", true, "picture", false),
                            "letter", Map.of("subject", CREW_SUBJECT, "text", CREW_TEXT),
                            "schedule", schedule("FREQ=WEEKLY;BYDAY=MO", "07:15")));
        }
        try (DemoApi anders = signIn.as(persons.get("Anders Moe"))) {
            subscribe(
                    anders,
                    Map.of(
                            "name", "Ticket sales, month by month",
                            "content", pages(report(anders, "Ticket sales"), "last-month", "overview"),
                            "recipients", ids("Anders Moe"),
                            "output", Map.of("pdf", true, "picture", false),
                            "schedule", schedule("FREQ=MONTHLY;BYMONTHDAY=1", "07:30")));
        }
    }

    private static long report(DemoApi who, String title) {
        for (JsonNode entry : who.get("/api/v1/library").get("entries")) {
            if (entry.get("title").asString().equals(title)) {
                return entry.get("id").asLong();
            }
        }
        throw new IllegalStateException("There is no report " + title);
    }

    private void ofOperations(DemoApi marit) {
        subscribe(
                marit,
                Map.of(
                        "name", "Cancelled sailings, week by week",
                        "content", pages(1, "last-week", "overview", "routes", "every"),
                        "recipients", ids("Marit Lunde", "Ida Solvang", "Tor Egeland", "Jon Aasen", "Rita Bø"),
                        "output", Map.of("pdf", true, "picture", false),
                        "schedule", schedule("FREQ=WEEKLY;BYDAY=MO", "07:00")));
        subscribe(
                marit,
                Map.of(
                        "name", "Passengers for the board",
                        "content", pages(2, "last-week", "overview", "routes"),
                        "recipients", ids("Anders Moe", "Kirsti Vale", "Marit Lunde"),
                        "output", Map.of("pdf", true, "picture", true),
                        "schedule", schedule("FREQ=WEEKLY;BYDAY=TU", "07:30")));
    }

    private void ofRouteLead(DemoApi ida) {
        subscribe(
                ida,
                Map.of(
                        "name", "Engine trouble on my route",
                        "content",
                                List.of(content(
                                        1,
                                        "last-week",
                                        List.of("every"),
                                        List.of(anyOf("route", "3 Sandvoll–Ness"), anyOf("cause", "engine")))),
                        "recipients", ids("Ida Solvang"),
                        "output", Map.of("pdf", false, "picture", false),
                        "schedule", schedule("FREQ=WEEKLY;BYDAY=MO", "06:50")));
    }

    private static Map<String, Object> anyOf(String column, String value) {
        return Map.of("column", column, "test", "ANY_OF", "values", List.of(value));
    }

    private static List<Map<String, Object>> pages(long report, String period, String... pages) {
        return List.of(content(report, period, List.of(pages), List.of()));
    }

    private static Map<String, Object> content(
            long report, String period, List<String> pages, List<Map<String, Object>> filters) {
        return Map.of("report", report, "pages", pages, "blocks", List.of(), "period", period, "filters", filters);
    }

    private List<Long> ids(String... names) {
        return List.of(names).stream().map(persons::get).toList();
    }

    private static Map<String, Object> schedule(String rule, String at) {
        return Map.of("recurrence", rule, "at", at, "zone", "Europe/Oslo");
    }

    private static void subscribe(DemoApi owner, Map<String, Object> terms) {
        Map<String, Object> whole = new LinkedHashMap<>(terms);
        whole.put("firstDayOfWeek", "MONDAY");
        whole.put("seenAs", "RECIPIENT");
        whole.put("locale", "en");
        owner.post("/api/v1/subscriptions", Map.of("terms", whole, "start", true));
    }

    /** One week in the middle, a mailbox of the board is closed. */
    private void passEightWeeks(DemoApi administrator, Instant opening) {
        LocalDate closedFrom = state.openingDay().orElseThrow().minusWeeks(3).with(DayOfWeek.MONDAY);
        String box = "/api/v1/mail-room/kirsti.vale" + DOMAIN + "/behaviour";
        Instant begin = clock.instant();
        pass(begin, closedFrom, opening);
        administrator.put(box, Map.of("behaviour", "REFUSE_FOR_GOOD"));
        pass(begin, closedFrom.plusDays(2), opening);
        administrator.put(box, Map.of("behaviour", "NONE"));
        pass(begin, state.openingDay().orElseThrow(), opening);
        moveClock.move(opening);
        persons.values().forEach(this::readAllButTheNewest);
    }

    /** Day by day until noon of one, so that it is seen to go on. */
    private void pass(Instant begin, LocalDate until, Instant opening) {
        LocalDate today = clock.instant().atZone(DayLoads.ZONE).toLocalDate();
        today.plusDays(1).datesUntil(until.plusDays(1)).forEach(day -> {
            Instant noon = day.atTime(LocalTime.NOON).atZone(DayLoads.ZONE).toInstant();
            if (noon.isBefore(opening)) {
                moveClock.move(noon);
                progress.done(DemoProgress.part(begin, noon, opening));
            }
        });
    }

    /** People have read what came in the weeks before. */
    private void readAllButTheNewest(long person) {
        try (DemoApi api = signIn.as(person)) {
            for (JsonNode row : api.get("/api/v1/shelf?scope=PUT_FOR_ME").get("rows")) {
                JsonNode spines = row.get("spines");
                for (int i = 0; i < spines.size() - 1; i++) {
                    api.put("/api/v1/issues/" + spines.get(i).get("id").asLong() + "/read", Map.of("read", true));
                }
            }
        }
    }
}
