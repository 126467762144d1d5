package mailshelf.server.mail;

import java.util.Date;
import java.util.List;
import mailshelf.core.delivery.Answer;
import mailshelf.core.rights.Person;
import mailshelf.server.HouseSettings;
import mailshelf.store.Database;
import mailshelf.store.Installation;
import mailshelf.store.people.NoticeStore;
import org.springframework.stereotype.Component;

/** Hands a notice to the mail server as plain text. */
@Component
public class NoticeMail {
    private final MailAssembler assembler;
    private final MailServer server;
    private final HouseSettings settings;
    private final Database database;

    NoticeMail(MailAssembler assembler, MailServer server, HouseSettings settings, Database database) {
        this.database = database;
        this.assembler = assembler;
        this.server = server;
        this.settings = settings;
    }

    public Answer send(Person to, NoticeStore.Notice notice) {
        String installation = database.inTransaction(tx -> Installation.identity(tx));
        String messageId = "<notice-" + notice.id().value() + "." + installation + "@"
                + settings.mail().domain() + ">";
        String address = notice.address().orElse(to.address());
        byte[] mail =
                assembler.plain(to.name(), address, messageId, Date.from(notice.at()), notice.subject(), notice.body());
        return server.send(List.of(mail), address);
    }
}
