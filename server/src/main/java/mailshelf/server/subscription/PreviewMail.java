package mailshelf.server.subscription;

import java.util.List;
import java.util.Optional;
import mailshelf.core.letter.Letter;
import mailshelf.core.letter.LetterFields;
import mailshelf.core.letter.LetterPattern;
import mailshelf.core.rights.Person;
import mailshelf.render.mail.MailBody;
import mailshelf.server.HouseSettings;
import mailshelf.server.delivery.Edition;
import mailshelf.server.delivery.MailBodies;
import mailshelf.server.mail.LetterWriter;
import org.springframework.stereotype.Component;

/** Shows the mail of an edition as a recipient gets it, with what each field of its letter says there. */
@Component
class PreviewMail {
    private final LetterWriter letters;
    private final HouseSettings settings;

    record MailPreview(String from, String to, String subject, String html, String text) {}

    /**
     * What a letter can be written with.
     *
     * @param usualSubject with fields in braces
     */
    record LetterView(String usualSubject, List<FieldPreview> fields) {}

    /**
     * A field of a letter.
     *
     * @param field as it stands in braces
     * @param says in this mail; "" where it says nothing, is a named value that the letter does not put in, or no mail is shown
     */
    record FieldPreview(String field, String says) {}

    PreviewMail(LetterWriter letters, HouseSettings settings) {
        this.letters = letters;
        this.settings = settings;
    }

    MailPreview of(LetterWriter.About about, Person as, Person listedBy, Edition edition) {
        Letter letter =
                letters.write(about, as, listedBy, "<preview@" + settings.mail().domain() + ">", edition.words());
        MailBody body =
                MailBodies.of(letter, edition.pages(), edition.pdf().isPresent(), edition.picture(), edition.words());
        return new MailPreview(letter.fromName(), as.name(), letter.subject(), body.html(), body.text());
    }

    /**
     * @param offered the fields that its letter may have, as they stand in braces
     * @param said by them in the mail that is shown, if one is
     */
    static LetterView letter(List<String> offered, Optional<LetterFields> said) {
        return new LetterView(
                LetterPattern.USUAL_SUBJECT,
                offered.stream()
                        .map(field -> new FieldPreview(
                                field,
                                said.flatMap(fields -> fields.says(field)).orElse("")))
                        .toList());
    }
}
