package mailshelf.e2e;

import java.time.Duration;
import java.time.OffsetDateTime;

/**
 * What the demo's clock shows when tests begin, so that they find the same on any day. Most begin on a Monday morning that
 * is the first of a month too, before anything is sent; {@code ./test --days} has some begin at other times.
 */
final class Moments {
    static final OffsetDateTime START =
            OffsetDateTime.parse(System.getProperty("mailshelf.moment", "2027-03-01T05:20+01:00"));

    /** Early enough for the demo to be built before {@link #START}, by a slow machine too. */
    static final OffsetDateTime BUILT = START.minus(Duration.ofMinutes(15));

    private Moments() {}
}
