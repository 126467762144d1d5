package mailshelf.e2e;

import java.time.Instant;
import java.util.Map;

/** The business clock of a demo. */
final class Clock {
    private Clock() {}

    static Instant now(Api who) {
        return Instant.parse(who.get("clock").get("now").asString());
    }

    /** Moved forward, and waited for until it stands; where it is past that already, it stays. */
    static void moveTo(Api who, Instant moment) {
        if (now(who).isBefore(moment)) {
            who.post("clock/move", Map.of("to", moment.toString()));
            awaitRest(who);
        }
    }

    static void awaitRest(Api who) {
        Wait.until("the clock stands", () -> who.get("clock").get("movingTo").isNull());
    }
}
