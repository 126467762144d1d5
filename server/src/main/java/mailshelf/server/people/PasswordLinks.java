package mailshelf.server.people;

import java.time.Duration;
import java.time.InstantSource;
import mailshelf.core.rights.PersonId;
import mailshelf.server.signin.Tokens;
import mailshelf.store.Tx;
import mailshelf.store.people.InvitationStore;

/** Makes links by which people set their passwords, each once. */
public final class PasswordLinks {
    /** For somebody who does not expect it. */
    public static final Duration INVITATION = Duration.ofDays(7);

    /** For somebody who sits there and waits for it. */
    public static final Duration RESET = Duration.ofHours(1);

    private final InvitationStore invitations;
    private final String baseUrl;
    private final InstantSource machineClock;

    /** @param baseUrl how readers reach the server */
    public PasswordLinks(InvitationStore invitations, String baseUrl, InstantSource machineClock) {
        this.invitations = invitations;
        this.baseUrl = baseUrl;
        this.machineClock = machineClock;
    }

    /** @param life how long it holds */
    public String link(Tx tx, PersonId person, Duration life) {
        String token = Tokens.fresh();
        invitations.insert(tx, token, person, machineClock.instant().plus(life));
        return baseUrl + "/invitations/" + token;
    }

    /** The links that the person has work no more. */
    public void endAll(Tx tx, PersonId person) {
        invitations.remove(tx, person);
    }
}
