package mailshelf.demo;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import mailshelf.core.data.Column;
import org.springframework.stereotype.Component;

/** Brings each day's rows in as soon as it has ended, through the API. */
@Component
class DayLoads {
    static final ZoneId ZONE = ZoneId.of("Europe/Oslo");

    private final DemoState state;
    private final Feeds feeds;
    private final DemoSignIn signIn;

    DayLoads(DemoState state, Feeds feeds, DemoSignIn signIn) {
        this.state = state;
        this.feeds = feeds;
        this.signIn = signIn;
    }

    /** When the next rows come in; empty before the demo has a data set. */
    Optional<Instant> next() {
        return state.openingDay().isEmpty()
                ? Optional.empty()
                : feeds.all().stream()
                        .flatMap(feed -> state.loadedTo(feed.dataSet()).map(day -> next(day)).stream())
                        .min(Instant::compareTo);
    }

    private static Instant next(LocalDate loadedTo) {
        return loadedTo.plusDays(2).atStartOfDay(ZONE).toInstant();
    }

    /** Loads the days up to the one before {@code now}'s, as far as they are missing. */
    void upTo(Instant now) {
        for (Feed feed : feeds.all()) {
            state.loadedTo(feed.dataSet())
                    .filter(loaded -> !next(loaded).isAfter(now))
                    .ifPresent(loaded -> add(feed, loaded, lastDay(now)));
        }
    }

    /** The last day whose rows are there. */
    static LocalDate lastDay(Instant now) {
        return now.atZone(ZONE).toLocalDate().minusDays(1);
    }

    private void add(Feed feed, LocalDate loadedTo, LocalDate to) {
        try (DemoApi api = signIn.as(state.loader())) {
            load(api, feed, state.dataSet(feed.dataSet()), loadedTo.plusDays(1), to, "APPEND");
        }
    }

    /** @param to the last day that is loaded; nothing is where it lies before {@code from} */
    void load(DemoApi api, Feed feed, long dataSet, LocalDate from, LocalDate to, String mode) {
        if (to.isBefore(from)) {
            return;
        }
        try {
            Path file = Files.createTempFile("feed", ".csv");
            try {
                write(feed, from, to, file);
                api.postCsv("/api/v1/data-sets/" + dataSet + "/loads?mode=" + mode, file);
            } finally {
                Files.delete(file);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        state.loaded(feed.dataSet(), to);
    }

    private static void write(Feed feed, LocalDate from, LocalDate to, Path file) throws IOException {
        try (CsvWriter csv = CsvWriter.builder().build(file)) {
            csv.writeRecord(feed.columns().stream().map(Column::name).toList());
            from.datesUntil(to.plusDays(1)).flatMap(feed::of).forEach(csv::writeRecord);
        }
    }
}
