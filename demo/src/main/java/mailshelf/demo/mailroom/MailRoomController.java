package mailshelf.demo.mailroom;

import java.nio.charset.StandardCharsets;
import java.util.Date;
import java.util.List;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.rights.Person;
import mailshelf.server.mail.ReadMail;
import mailshelf.store.Database;
import mailshelf.store.people.PersonStore;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.MediaTypeFactory;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The stand-in's inboxes over HTTP; in the demo alone, where everybody may look into every box. */
@RestController
@RequestMapping("/api/v1/mail-room")
class MailRoomController {
    private final MailRoom mailRoom;
    private final Database database;
    private final PersonStore people;

    record Inbox(String address, Optional<String> name, int mails, Optional<Date> newest, Misbehaviour behaviour) {}

    record MailLine(String id, String from, String subject, Optional<Date> date) {}

    record Behaviour(Misbehaviour behaviour) {}

    MailRoomController(MailRoom mailRoom, Database database, PersonStore people) {
        this.mailRoom = mailRoom;
        this.database = database;
        this.people = people;
    }

    @GetMapping
    List<Inbox> inboxes(Person who) {
        return mailRoom.inboxes().addresses().stream().map(this::inbox).toList();
    }

    private Inbox inbox(String address) {
        List<String> mails = mailRoom.inboxes().mails(address);
        Optional<Date> newest =
                mails.stream().findFirst().flatMap(id -> line(address, id).date());
        Optional<String> name =
                database.inTransaction(tx -> people.byAddress(tx, address)).map(Person::name);
        return new Inbox(address, name, mails.size(), newest, mailRoom.inboxes().behaviour(address));
    }

    @GetMapping("/{address}")
    List<MailLine> mails(Person who, @PathVariable String address) {
        return mailRoom.inboxes().mails(address).stream()
                .map(id -> line(address, id))
                .toList();
    }

    private MailLine line(String address, String id) {
        ReadMail.MailView mail = ReadMail.read(bytes(address, id));
        return new MailLine(id, mail.from(), mail.subject(), mail.date());
    }

    @GetMapping("/{address}/mails/{id}")
    ReadMail.MailView mail(Person who, @PathVariable String address, @PathVariable String id) {
        return ReadMail.read(bytes(address, id));
    }

    @GetMapping(path = "/{address}/mails/{id}/source", produces = MediaType.TEXT_PLAIN_VALUE)
    String source(Person who, @PathVariable String address, @PathVariable String id) {
        return new String(bytes(address, id), StandardCharsets.UTF_8);
    }

    @GetMapping("/{address}/mails/{id}/attachments/{name}")
    ResponseEntity<byte[]> attachment(
            Person who, @PathVariable String address, @PathVariable String id, @PathVariable String name) {
        byte[] file = ReadMail.attachment(bytes(address, id), name).orElseThrow(Problem::notFound);
        MediaType type = MediaTypeFactory.getMediaType(name).orElse(MediaType.APPLICATION_OCTET_STREAM);
        return ResponseEntity.ok().contentType(type).body(file);
    }

    private byte[] bytes(String address, String id) {
        return mailRoom.inboxes().mail(address, id).orElseThrow(Problem::notFound);
    }

    @PutMapping("/{address}/behaviour")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void behave(Person who, @PathVariable String address, @RequestBody Behaviour wish) {
        mailRoom.inboxes().setBehaviour(address, wish.behaviour());
    }
}
