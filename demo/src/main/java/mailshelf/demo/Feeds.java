package mailshelf.demo;

import java.time.LocalDate;
import java.util.List;
import mailshelf.server.HouseSettings;
import org.springframework.stereotype.Component;

/** All that comes in by itself in the demo. */
@Component
class Feeds {
    private final DemoState state;
    private final HouseSettings settings;

    Feeds(DemoState state, HouseSettings settings) {
        this.state = state;
        this.settings = settings;
    }

    /** In the order in which their data sets are made. */
    List<Feed> all() {
        LocalDate opening = opening();
        LocalDate first = opening.minusMonths(Tickets.MONTHS);
        return List.of(
                new Sailings(opening),
                new Tickets(settings.demo().orElseThrow().tickets(), first, opening),
                new Messages(opening),
                new Fuel(opening),
                new CrewHours(opening));
    }

    LocalDate opening() {
        return state.openingDay().orElseThrow();
    }

    /** The first day of which a data set has rows. */
    LocalDate first(Feed feed) {
        return opening().minusMonths(feed.months());
    }
}
