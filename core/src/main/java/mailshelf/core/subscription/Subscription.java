package mailshelf.core.subscription;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.Occurrence;

/**
 * A standing order: an owner's terms and where they stand. Its methods are the only moves between states; each refuses
 * what makes no sense with a {@link Problem}.
 *
 * @param version number of the terms, from 1
 * @param pausedBecause why it is paused; "" otherwise
 * @param nextDue when the next issue leaves; empty unless active, and where nothing is due by time
 */
public record Subscription(
        SubscriptionId id,
        PersonId owner,
        State state,
        String pausedBecause,
        int version,
        Terms terms,
        Optional<Instant> nextDue) {

    /** A new one, before it is kept: its id is none yet. */
    public static Subscription draft(PersonId owner, Terms terms) {
        return new Subscription(new SubscriptionId(0), owner, State.DRAFT, "", 1, terms, Optional.empty());
    }

    /** From a draft to its first send. */
    public Subscription start(Instant now) {
        require(state == State.DRAFT, "subscription.already-started");
        requireComplete(terms);
        return active(now);
    }

    /** One that is sent a single time, by hand: nothing follows. */
    public Subscription sentOnce() {
        requireComplete(terms);
        require(terms.schedule().firesOnDemand(), "subscription.not-on-demand");
        return new Subscription(id, owner, State.ENDED, "", version, terms, Optional.empty());
    }

    /** New terms; an active one is due anew by them, but what has fallen due and is not booked yet stays due. */
    public Subscription change(Terms changed, Instant now) {
        require(state != State.ENDED, "subscription.ended");
        if (state != State.DRAFT) {
            requireComplete(changed);
        }
        Subscription next = new Subscription(id, owner, state, pausedBecause, version + 1, changed, nextDue);
        if (state != State.ACTIVE) {
            return next;
        }
        // a load that it waits to be sent after stays one
        boolean keepsDue = isDue(now) || isAfterLoads() && next.isAfterLoads();
        return keepsDue ? next : next.active(now);
    }

    /**
     * Somebody else's from now on; what is due stays due.
     *
     * @param kept the terms, without what the new owner may not follow
     */
    public Subscription handedTo(PersonId heir, Terms kept) {
        require(state != State.ENDED, "subscription.ended");
        return new Subscription(id, heir, state, pausedBecause, version + 1, kept, nextDue);
    }

    /** Whether a send has fallen due that is not booked yet. */
    public boolean isDue(Instant now) {
        return state == State.ACTIVE && nextDue.filter(due -> !due.isAfter(now)).isPresent();
    }

    private boolean isAfterLoads() {
        return terms.schedule().afterLoads().isPresent();
    }

    /**
     * Data that it shows have been loaded.
     *
     * @param lastFired when it last fell due after a load
     */
    public Subscription loaded(Instant now, Optional<Instant> lastFired) {
        require(state == State.ACTIVE && isAfterLoads(), "subscription.not-active");
        Duration span = terms.schedule().afterLoads().orElseThrow();
        Instant due =
                lastFired.map(last -> last.plus(span)).filter(now::isBefore).orElse(now);
        Optional<Instant> first = Optional.of(nextDue.filter(due::isAfter).orElse(due));
        return new Subscription(id, owner, state, pausedBecause, version, terms, first);
    }

    public Subscription pause(String because) {
        require(state == State.ACTIVE, "subscription.not-active");
        return new Subscription(id, owner, State.PAUSED, because, version, terms, Optional.empty());
    }

    public Subscription resume(Instant now) {
        require(state == State.PAUSED, "subscription.not-paused");
        return active(now);
    }

    public Subscription end() {
        require(state != State.ENDED, "subscription.ended");
        return new Subscription(id, owner, State.ENDED, "", version, terms, Optional.empty());
    }

    /** After the send that was due has been booked. */
    public Subscription booked(Instant due) {
        return active(due);
    }

    /** Whether it can be tried or sent by hand. */
    public void requireSendable() {
        require(state != State.ENDED, "subscription.ended");
        requireComplete(terms);
    }

    private Subscription active(Instant after) {
        Optional<Instant> next = terms.schedule().next(after).map(Occurrence::at);
        return new Subscription(id, owner, State.ACTIVE, "", version, terms, next);
    }

    private void requireComplete(Terms wanted) {
        if (!wanted.missing().isEmpty()) {
            throw Problem.invalid(
                    "subscription.incomplete-" + wanted.missing().get(0).name(), wanted.name());
        }
    }

    private void require(boolean allowed, String code) {
        if (!allowed) {
            throw new Problem(Problem.Kind.CONFLICT, code, terms.name());
        }
    }
}
