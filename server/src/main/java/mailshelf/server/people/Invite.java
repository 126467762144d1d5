package mailshelf.server.people;

import mailshelf.core.rights.Person;
import mailshelf.core.wording.Words;
import mailshelf.server.http.Languages;
import mailshelf.server.notice.Notices;
import mailshelf.store.Tx;
import org.springframework.stereotype.Component;

/** Mails people the links by which they set their passwords. */
@Component
class Invite {
    private final PasswordLinks links;
    private final Notices notices;

    Invite(PasswordLinks links, Notices notices) {
        this.links = links;
        this.notices = notices;
    }

    /** In the place of an invitation before. */
    void invite(Tx tx, Person person, Person by) {
        links.endAll(tx, person.id());
        Words words = Words.in(Languages.supported(person.locale()));
        String link = links.link(tx, person.id(), PasswordLinks.INVITATION);
        notices.tell(
                tx,
                person.id(),
                words.say("invitation.subject"),
                words.say("invitation.body", person.name(), by.name(), link));
    }

    /** For somebody who has forgotten it; links mailed before go on working. */
    void reset(Tx tx, Person person) {
        Words words = Words.in(Languages.supported(person.locale()));
        String link = links.link(tx, person.id(), PasswordLinks.RESET);
        notices.tell(tx, person.id(), words.say("reset.subject"), words.say("reset.body", person.name(), link));
    }
}
