package mailshelf.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Role;
import mailshelf.server.HouseSettings;
import mailshelf.server.Opening;
import mailshelf.server.clock.BusinessClock;
import mailshelf.store.Database;
import mailshelf.store.people.PersonStore;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * Builds the demo's house once: only its administrator is put into the tables directly, since somebody must be there to
 * ask; all else goes through the API, as its people would do it. Then eight weeks pass by the clock, with real issues.
 */
@Component
@Profile("demo")
class DemoHouse implements Opening {
    private static final int MONTHS_OF_DATA = 24;
    private static final int WEEKS_OF_ISSUES = 8;
    private static final String DOMAIN = "@brinewater.example";

    private final Database database;
    private final PersonStore people;
    private final DemoState state;
    private final DayLoads dayLoads;
    private final MoveClock moveClock;
    private final BusinessClock clock;
    private final InstantSource machineClock;
    private final HouseSettings settings;
    private final Map<String, Long> persons = new LinkedHashMap<>();

    DemoHouse(
            Database database,
            PersonStore people,
            DemoState state,
            DayLoads dayLoads,
            MoveClock moveClock,
            BusinessClock clock,
            InstantSource machineClock,
            HouseSettings settings) {
        this.database = database;
        this.people = people;
        this.state = state;
        this.dayLoads = dayLoads;
        this.moveClock = moveClock;
        this.clock = clock;
        this.machineClock = machineClock;
        this.settings = settings;
    }

    @Override
    public void open(PrintStream out) {
        build();
        out.println("Mail Shelf's demo answers at " + settings.baseUrl());
        out.println(
                "Sign in with one click as Marit Lunde (operations), Ida Solvang (route lead), Kirsti Vale (board),");
        out.println("Sunniva Rein (administrator) or one of four others.");
    }

    /** At the first start; at later ones it only brings in the days that have passed since. */
    private void build() {
        if (state.isReady()) {
            dayLoads.upTo(clock.instant());
            return;
        }
        LocalDate today = machineClock.instant().atZone(DayLoads.ZONE).toLocalDate();
        LocalDate past = today.minusWeeks(WEEKS_OF_ISSUES).minusDays(2);
        state.open(today);
        clock.moveTo(past.atTime(9, 0).atZone(DayLoads.ZONE).toInstant());
        try (DemoApi administrator = DemoApi.as(settings.baseUrl(), administrator())) {
            people(administrator);
            reports(administrator, folders(administrator, groups(administrator)), past);
            subscriptions();
            passEightWeeks(administrator);
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

    private Map<String, Long> folders(DemoApi administrator, Map<String, Long> groups) {
        Map<String, Long> folders = new LinkedHashMap<>();
        for (String name : List.of("Traffic", "Passengers")) {
            folders.put(
                    name,
                    administrator
                            .post("/api/v1/folders", Map.of("name", name))
                            .get("id")
                            .asLong());
        }
        grant(administrator, folders.get("Traffic"), groups.get("Operations"), "SUBSCRIBE_TEAMMATES");
        grant(administrator, folders.get("Traffic"), groups.get("Route leads"), "SUBSCRIBE_SELF");
        grant(administrator, folders.get("Traffic"), groups.get("Board"), "SEE");
        grant(administrator, folders.get("Passengers"), groups.get("Operations"), "SUBSCRIBE_TEAMMATES");
        grant(administrator, folders.get("Passengers"), groups.get("Route leads"), "SEE");
        grant(administrator, folders.get("Passengers"), groups.get("Board"), "SUBSCRIBE_SELF");
        return folders;
    }

    private static void grant(DemoApi administrator, long folder, long group, String verb) {
        administrator.put("/api/v1/grants/" + folder + "/" + group, Map.of("verbs", List.of(verb)));
    }

    private void reports(DemoApi administrator, Map<String, Long> folders, LocalDate past) {
        List<Map<String, Object>> columns = new ArrayList<>();
        for (String name : Sailings.COLUMNS) {
            String type = switch (name) {
                case "date" -> "DATE";
                case "delay", "passengers", "cars" -> "NUMBER";
                default -> "TEXT";
            };
            columns.add(Map.of("name", name, "type", type, "decimals", 0));
        }
        long dataSet = administrator
                .post(
                        "/api/v1/data-sets",
                        Map.of(
                                "folder",
                                folders.get("Traffic"),
                                "name",
                                "sailings",
                                "columns",
                                columns,
                                "dateColumn",
                                "date"))
                .get("id")
                .asLong();
        LocalDate first = past.minusMonths(MONTHS_OF_DATA).plusWeeks(WEEKS_OF_ISSUES);
        administrator.postCsv(
                "/api/v1/data-sets/" + dataSet + "/loads",
                dayLoads.csv(first.datesUntil(past).toList()));
        state.loaded(past.minusDays(1));
        state.feed(dataSet, persons.get("Sunniva Rein"));
        publish(administrator, folders.get("Traffic"), "cancelled-sailings.yaml");
        publish(administrator, folders.get("Passengers"), "passengers-carried.yaml");
    }

    private static void publish(DemoApi administrator, long folder, String resource) {
        try (InputStream in = DemoHouse.class.getResourceAsStream(resource)) {
            String yaml = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            administrator.post("/api/v1/reports", Map.of("folder", folder, "yaml", yaml));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void subscriptions() {
        try (DemoApi marit = DemoApi.as(settings.baseUrl(), persons.get("Marit Lunde"))) {
            ofOperations(marit);
        }
        try (DemoApi ida = DemoApi.as(settings.baseUrl(), persons.get("Ida Solvang"))) {
            ofRouteLead(ida);
        }
    }

    private void ofOperations(DemoApi marit) {
        subscribe(
                marit,
                Map.of(
                        "name", "Cancelled sailings, week by week",
                        "report", 1,
                        "pages", List.of("overview", "routes", "every"),
                        "filters", List.of(),
                        "recipients", ids("Marit Lunde", "Ida Solvang", "Tor Egeland", "Jon Aasen", "Rita Bø"),
                        "output", Map.of("pdf", true, "picture", false),
                        "schedule", schedule("FREQ=WEEKLY;BYDAY=MO", "07:00")));
        subscribe(
                marit,
                Map.of(
                        "name", "Passengers for the board",
                        "report", 2,
                        "pages", List.of("overview", "routes"),
                        "filters", List.of(),
                        "recipients", ids("Anders Moe", "Kirsti Vale", "Marit Lunde"),
                        "output", Map.of("pdf", true, "picture", true),
                        "schedule", schedule("FREQ=WEEKLY;BYDAY=TU", "07:30")));
    }

    private void ofRouteLead(DemoApi ida) {
        subscribe(
                ida,
                Map.of(
                        "name", "Engine trouble on my route",
                        "report", 1,
                        "pages", List.of("every"),
                        "filters",
                                List.of(
                                        Map.of(
                                                "column",
                                                "route",
                                                "test",
                                                "ANY_OF",
                                                "values",
                                                List.of("3 Sandvoll–Ness")),
                                        Map.of("column", "cause", "test", "ANY_OF", "values", List.of("engine"))),
                        "recipients", ids("Ida Solvang"),
                        "output", Map.of("pdf", false, "picture", false),
                        "schedule", schedule("FREQ=WEEKLY;BYDAY=MO", "06:50")));
    }

    private List<Long> ids(String... names) {
        return List.of(names).stream().map(persons::get).toList();
    }

    private static Map<String, Object> schedule(String rule, String at) {
        return Map.of("recurrence", rule, "at", at, "zone", "Europe/Oslo");
    }

    private static void subscribe(DemoApi owner, Map<String, Object> terms) {
        Map<String, Object> whole = new LinkedHashMap<>(terms);
        whole.put("period", "last-week");
        whole.put("firstDayOfWeek", "MONDAY");
        whole.put("seenAs", "RECIPIENT");
        whole.put("locale", "en");
        owner.post("/api/v1/subscriptions", Map.of("terms", whole, "start", true));
    }

    /** One week in the middle, a mailbox of the board is closed. */
    private void passEightWeeks(DemoApi administrator) {
        Instant now = machineClock.instant();
        LocalDate closedFrom = state.openingDay().orElseThrow().minusWeeks(3).with(DayOfWeek.MONDAY);
        String box = "/api/v1/mail-room/kirsti.vale" + DOMAIN + "/behaviour";
        moveClock.move(closedFrom.atTime(LocalTime.NOON).atZone(DayLoads.ZONE).toInstant());
        administrator.put(box, Map.of("behaviour", "REFUSE_FOR_GOOD"));
        moveClock.move(closedFrom
                .plusDays(2)
                .atTime(LocalTime.NOON)
                .atZone(DayLoads.ZONE)
                .toInstant());
        administrator.put(box, Map.of("behaviour", "NONE"));
        moveClock.move(now);
        clock.moveTo(machineClock.instant());
        persons.values().forEach(this::readAllButTheNewest);
    }

    /** People have read what came in the weeks before. */
    private void readAllButTheNewest(long person) {
        try (DemoApi api = DemoApi.as(settings.baseUrl(), person)) {
            for (JsonNode row : api.get("/api/v1/shelf?scope=PUT_FOR_ME").get("rows")) {
                JsonNode spines = row.get("spines");
                for (int i = 0; i < spines.size() - 1; i++) {
                    api.put("/api/v1/issues/" + spines.get(i).get("id").asLong() + "/read", Map.of("read", true));
                }
            }
        }
    }
}
