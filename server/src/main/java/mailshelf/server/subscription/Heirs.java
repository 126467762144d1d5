package mailshelf.server.subscription;

import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.Terms;
import mailshelf.server.library.FollowedTerms;
import mailshelf.server.named.ResolveNamed;
import mailshelf.server.rights.Gate;
import mailshelf.store.Tx;
import org.springframework.stereotype.Component;

/** Who can take over a subscription: whoever may do all that it does. */
@Component
class Heirs {
    private final Gate gate;
    private final FollowedTerms followed;
    private final ResolveNamed named;

    /** Why somebody cannot take it. */
    enum Hindrance {
        NOT_ACTIVE,
        OWNER_ALREADY,
        MAY_NOT_SEE,
        MAY_NOT_SUBSCRIBE,
        MAY_NOT_SUBSCRIBE_OTHERS,
        HIDDEN_VALUES
    }

    Heirs(Gate gate, FollowedTerms followed, ResolveNamed named) {
        this.gate = gate;
        this.followed = followed;
        this.named = named;
    }

    Optional<Hindrance> hindrance(Tx tx, Person heir, Subscription subscription) {
        if (!heir.active()) {
            return Optional.of(Hindrance.NOT_ACTIVE);
        }
        if (heir.id().equals(subscription.owner())) {
            return Optional.of(Hindrance.OWNER_ALREADY);
        }
        Terms terms = subscription.terms();
        // a draft may show nothing yet
        return terms.reports().isEmpty() ? Optional.empty() : lacking(tx, heir, terms);
    }

    private Optional<Hindrance> lacking(Tx tx, Person heir, Terms terms) {
        Gate.Access access = gate.access(tx, heir);
        if (!gate.may(tx, access, Verb.SEE, terms.reports())) {
            return Optional.of(Hindrance.MAY_NOT_SEE);
        }
        if (!gate.may(tx, access, Verb.SUBSCRIBE_SELF, terms.reports())) {
            return Optional.of(Hindrance.MAY_NOT_SUBSCRIBE);
        }
        boolean others = terms.recipients().stream().anyMatch(id -> !id.equals(heir.id()));
        if (others && !gate.may(tx, access, Verb.SUBSCRIBE_TEAMMATES, terms.reports())) {
            return Optional.of(Hindrance.MAY_NOT_SUBSCRIBE_OTHERS);
        }
        return mayUseItsValues(tx, heir, terms) ? Optional.empty() : Optional.of(Hindrance.HIDDEN_VALUES);
    }

    private boolean mayUseItsValues(Tx tx, Person heir, Terms terms) {
        try {
            for (Content content : terms.content()) {
                named.requireUsable(tx, heir, content.filters());
            }
            return true;
        } catch (Problem hidden) {
            return false;
        }
    }

    /** The terms with what they follow as that is now; empty where the heir may not follow it. */
    Optional<Terms> following(Tx tx, Person heir, Terms terms) {
        try {
            return Optional.of(followed.of(tx, heir, terms));
        } catch (Problem notTheirs) {
            return Optional.empty();
        }
    }
}
