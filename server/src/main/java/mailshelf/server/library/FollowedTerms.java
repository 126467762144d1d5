package mailshelf.server.library;

import mailshelf.core.Problem;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Terms;
import mailshelf.store.Tx;
import org.springframework.stereotype.Component;

/** Terms as they are kept: what follows a cut or a clipping is as that is at this moment. */
@Component
public class FollowedTerms {
    private final FollowCuts cuts;
    private final FollowClippings clippings;

    FollowedTerms(FollowCuts cuts, FollowClippings clippings) {
        this.cuts = cuts;
        this.clippings = clippings;
    }

    /** @throws Problem for what the owner may not follow */
    public Terms of(Tx tx, Person owner, Terms wanted) {
        return clippings.asFollowed(tx, owner, cuts.asFollowed(tx, owner, wanted));
    }
}
