package mailshelf.server.demo;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.server.HouseSettings;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** Brings each passed day's sailings in, early on the next morning, through the API. */
@Component
@Profile("demo")
class DayLoads {
    static final ZoneId ZONE = ZoneId.of("Europe/Oslo");
    private static final LocalTime AT = LocalTime.of(5, 40);

    private final DemoState state;
    private final HouseSettings settings;

    DayLoads(DemoState state, HouseSettings settings) {
        this.state = state;
        this.settings = settings;
    }

    /** When the next day's rows come in; empty before the demo has a data set. */
    Optional<Instant> next() {
        return state.dataSet()
                .flatMap(id -> state.loadedTo())
                .map(day -> day.plusDays(2).atTime(AT).atZone(ZONE).toInstant());
    }

    /** Loads the days up to the one before {@code now}'s, as far as they are missing. */
    void upTo(Instant now) {
        LocalDate wanted = now.atZone(ZONE).toLocalTime().isBefore(AT)
                ? now.atZone(ZONE).toLocalDate().minusDays(2)
                : now.atZone(ZONE).toLocalDate().minusDays(1);
        LocalDate loaded = state.loadedTo().orElse(wanted);
        if (loaded.isBefore(wanted)) {
            List<LocalDate> days =
                    loaded.plusDays(1).datesUntil(wanted.plusDays(1)).toList();
            try (DemoApi api = DemoApi.as(settings.baseUrl(), state.loader())) {
                api.postCsv("/api/v1/data-sets/" + state.dataSet().orElseThrow() + "/loads?mode=APPEND", csv(days));
            }
            state.loaded(wanted);
        }
    }

    /** Header and rows of some days. */
    String csv(List<LocalDate> days) {
        Sailings sailings = new Sailings(state.openingDay().orElseThrow());
        Stream<List<String>> rows = days.stream().flatMap(day -> sailings.of(day).stream());
        return Stream.concat(Stream.of(Sailings.COLUMNS), rows)
                .map(row -> String.join(",", row))
                .collect(Collectors.joining("\n"));
    }
}
