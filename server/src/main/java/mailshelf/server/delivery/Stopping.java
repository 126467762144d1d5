package mailshelf.server.delivery;

import org.springframework.stereotype.Component;

/** Whether this server is about to end: what is in hand is brought to its next safe place, and nothing new begun. */
@Component
class Stopping {
    private volatile boolean begun;

    void begin() {
        begun = true;
    }

    boolean hasBegun() {
        return begun;
    }
}
