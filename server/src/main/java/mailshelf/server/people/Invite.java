package mailshelf.server.people;

import java.security.SecureRandom;
import java.time.Duration;
import java.time.InstantSource;
import java.util.Base64;
import java.util.Locale;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.http.Languages;
import mailshelf.server.notice.Notices;
import mailshelf.store.Tx;
import mailshelf.store.people.InvitationStore;
import org.springframework.stereotype.Component;

/** Makes links by which people set their passwords. */
@Component
public class Invite {
    private static final Duration LIFE = Duration.ofDays(7);
    private static final SecureRandom RANDOM = new SecureRandom();

    private final InvitationStore invitations;
    private final Notices notices;
    private final HouseSettings settings;
    private final InstantSource machineClock;

    Invite(InvitationStore invitations, Notices notices, HouseSettings settings, InstantSource machineClock) {
        this.invitations = invitations;
        this.notices = notices;
        this.settings = settings;
        this.machineClock = machineClock;
    }

    /** A link that works once, for a week. */
    public String link(Tx tx, PersonId person) {
        byte[] secret = new byte[24];
        RANDOM.nextBytes(secret);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
        invitations.insert(tx, token, person, machineClock.instant().plus(LIFE));
        return settings.baseUrl() + "/invitations/" + token;
    }

    void byMail(Tx tx, Person person, Person by) {
        Locale locale = Languages.supported(person.locale());
        Words words = Words.in(locale);
        notices.tell(
                tx,
                person.id(),
                words.say("invitation.subject"),
                words.say("invitation.body", person.name(), by.name(), link(tx, person.id())));
    }
}
