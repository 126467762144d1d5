package mailshelf.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mailshelf.core.data.Column;
import mailshelf.server.clock.BusinessClock;
import org.springframework.stereotype.Component;

/** Fills the demo's library: folders with who may do what in them, data with its rules, and reports. */
@Component
class DemoLibrary {
    private final Feeds feeds;
    private final DayLoads dayLoads;
    private final DemoState state;
    private final BusinessClock clock;

    DemoLibrary(Feeds feeds, DayLoads dayLoads, DemoState state, BusinessClock clock) {
        this.feeds = feeds;
        this.dayLoads = dayLoads;
        this.state = state;
        this.clock = clock;
    }

    /**
     * What there is from the beginning: two reports on the sailings.
     *
     * @return its folders by name
     */
    Map<String, Long> begin(DemoApi administrator, Map<String, Long> groups, LocalDate loadedTo) {
        long traffic = folder(administrator, "Traffic");
        grant(
                administrator,
                traffic,
                groups,
                Map.of("Operations", "SUBSCRIBE_TEAMMATES", "Route leads", "SUBSCRIBE_SELF", "Board", "SEE"));
        long passengers = folder(administrator, "Passengers");
        grant(
                administrator,
                passengers,
                groups,
                Map.of("Operations", "SUBSCRIBE_TEAMMATES", "Route leads", "SEE", "Board", "SUBSCRIBE_SELF"));
        feed(administrator, traffic, feed("sailings"), loadedTo);
        publish(administrator, traffic, "cancelled-sailings");
        publish(administrator, passengers, "passengers-carried");
        return Map.of("Traffic", traffic, "Passengers", passengers);
    }

    /**
     * What came to it later.
     *
     * @param salesManager who answers those who ask for the sales
     */
    void grow(DemoApi administrator, Map<String, Long> groups, Map<String, Long> folders, long salesManager) {
        long sales = folder(administrator, "Sales");
        grant(
                administrator,
                sales,
                groups,
                Map.of("Operations", "SUBSCRIBE_TEAMMATES", "Route leads", "KNOW", "Board", "SUBSCRIBE_SELF"));
        administrator.put("/api/v1/grants/" + sales + "/people/" + salesManager, Map.of("verbs", List.of("MANAGE")));
        long fleet = folder(administrator, "Fleet");
        grant(administrator, fleet, groups, Map.of("Operations", "SUBSCRIBE_TEAMMATES", "Route leads", "SEE"));
        long crew = folder(administrator, "Crew");
        grant(
                administrator,
                crew,
                groups,
                Map.of("Operations", "SUBSCRIBE_TEAMMATES", "Route leads", "SUBSCRIBE_SELF"));
        long traffic = folders.get("Traffic");
        long passengers = folders.get("Passengers");
        toNow(administrator, sales, feed("tickets"));
        toNow(administrator, passengers, feed("messages"));
        toNow(administrator, fleet, feed("fuel"));
        long hours = toNow(administrator, crew, feed("crew hours"));
        eachLeadHisRoute(administrator, crew, hours);
        administrator.put("/api/v1/data-sets/" + hours + "/personal", Map.of("columns", List.of("who")));
        namedValues(administrator, traffic, crew, hours);
        silentStation(administrator, traffic);
        publish(administrator, traffic, "late-sailings");
        publish(administrator, traffic, "wind-at-the-piers");
        publish(administrator, traffic, "this-morning");
        publish(administrator, passengers, "what-passengers-write");
        publish(administrator, sales, "ticket-sales");
        publish(administrator, sales, "sales-at-a-glance");
        publish(administrator, fleet, "fuel-by-vessel");
        publish(administrator, crew, "crew-hours");
    }

    private Feed feed(String dataSet) {
        return feeds.all().stream()
                .filter(feed -> feed.dataSet().equals(dataSet))
                .findFirst()
                .orElseThrow();
    }

    private static long folder(DemoApi administrator, String name) {
        return administrator
                .post("/api/v1/folders", Map.of("name", name))
                .get("id")
                .asLong();
    }

    private static void grant(DemoApi administrator, long folder, Map<String, Long> groups, Map<String, String> verbs) {
        verbs.forEach((group, verb) -> administrator.put(
                "/api/v1/grants/" + folder + "/" + groups.get(group), Map.of("verbs", List.of(verb))));
    }

    /** @return the data set's id */
    private long toNow(DemoApi administrator, long folder, Feed feed) {
        return feed(administrator, folder, feed, DayLoads.lastDay(clock.instant()));
    }

    private long feed(DemoApi administrator, long folder, Feed feed, LocalDate to) {
        long id = dataSet(administrator, folder, feed.dataSet(), feed.columns());
        dayLoads.load(administrator, feed, id, feeds.first(feed), to, "REPLACE");
        state.feed(feed.dataSet(), id);
        return id;
    }

    private static long dataSet(DemoApi administrator, long folder, String name, List<Column> columns) {
        Map<String, Object> wish = new LinkedHashMap<>();
        wish.put("folder", folder);
        wish.put("name", name);
        wish.put("columns", columns);
        if (columns.get(0).hasDays()) {
            wish.put("dateColumn", columns.get(0).name());
        }
        return administrator.post("/api/v1/data-sets", wish).get("id").asLong();
    }

    /** Who leads a route sees its crew's hours alone; operations see all. */
    private static void eachLeadHisRoute(DemoApi administrator, long crew, long hours) {
        long mapping =
                dataSet(administrator, crew, "routes of leads", List.of(Column.text("who"), Column.text("route")));
        StringBuilder lines = new StringBuilder("who,route\n");
        Map.of(
                        "ida.solvang" + DemoHouse.DOMAIN,
                        List.of("3 Sandvoll–Ness"),
                        "tor.egeland" + DemoHouse.DOMAIN,
                        List.of("1 Ness–Hovden", "2 Hovden–Skarv"),
                        "jon.aasen" + DemoHouse.DOMAIN,
                        List.of("4 Skarv–Ytre Holm", "5 Holm ring"),
                        "rita.bo" + DemoHouse.DOMAIN,
                        List.of("6 Night boat"),
                        "Operations",
                        List.of("*"))
                .forEach((who, routes) -> routes.forEach(
                        route -> lines.append(who).append(',').append(route).append('\n')));
        administrator.postCsv("/api/v1/data-sets/" + mapping + "/loads", lines.toString());
        administrator.put(
                "/api/v1/data-sets/" + hours + "/row-rules",
                Map.of(
                        "rules",
                        List.of(Map.of("column", "route", "mapping", mapping, "who", "who", "values", "route")),
                        "ownerView",
                        false));
    }

    /** What several reports are narrowed by: a list, a moving day, and what each lead has of the routes. */
    private static void namedValues(DemoApi administrator, long traffic, long crew, long hours) {
        Map<String, Object> ownCauses = named("what we can help", "CONSTANT");
        ownCauses.put("values", List.of("crew", "engine"));
        Map<String, Object> fourWeeksAgo = named("four weeks ago", "FORMULA");
        fourWeeksAgo.put("formula", "today - 28");
        Map<String, Object> routesILead = named("routes I lead", "DISTINCT");
        routesILead.put("dataSet", hours);
        routesILead.put("column", "route");
        administrator.post("/api/v1/named-values", Map.of("folder", traffic, "named", ownCauses));
        administrator.post("/api/v1/named-values", Map.of("folder", traffic, "named", fourWeeksAgo));
        administrator.post("/api/v1/named-values", Map.of("folder", crew, "named", routesILead));
    }

    private static Map<String, Object> named(String name, String kind) {
        Map<String, Object> named = new LinkedHashMap<>();
        named.put("name", name);
        named.put("kind", kind);
        named.put("values", List.of());
        named.put("formula", "");
        named.put("column", "");
        named.put("fallback", List.of());
        named.put("separator", ", ");
        named.put("lastWord", "and");
        return named;
    }

    /** The harbour's weather station answers no more: its last good rows stay, and every morning says so. */
    private void silentStation(DemoApi administrator, long traffic) {
        Wind wind = new Wind();
        long source = administrator
                .post(
                        "/api/v1/sources",
                        Map.of(
                                "folder", traffic,
                                "name", "Harbour weather station",
                                "kind", "DATABASE",
                                "place", "jdbc:postgresql://localhost:9/weather",
                                "user", "reader",
                                "password", "unused",
                                "seconds", 5,
                                "mostRows", 100_000))
                .get("id")
                .asLong();
        long id = dataSet(administrator, traffic, wind.dataSet(), wind.columns());
        LocalDate last = DayLoads.lastDay(clock.instant()).minusDays(2);
        dayLoads.load(administrator, wind, id, feeds.first(wind), last, "REPLACE");
        administrator.put(
                "/api/v1/data-sets/" + id + "/plan",
                Map.of(
                        "origin",
                        Map.of("kind", "QUERY", "source", source, "ask", "SELECT day, pier, mean, gust FROM wind"),
                        "times",
                        Map.of("kind", "DAILY", "at", "05:15", "zone", DayLoads.ZONE.getId(), "minutes", 0),
                        "mode",
                        "REPLACE"));
        administrator.attempt("/api/v1/data-sets/" + id + "/loads/now");
    }

    private static void publish(DemoApi administrator, long folder, String resource) {
        try (InputStream in = DemoLibrary.class.getResourceAsStream(resource + ".yaml")) {
            String yaml = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            administrator.post("/api/v1/reports", Map.of("folder", folder, "yaml", yaml));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
