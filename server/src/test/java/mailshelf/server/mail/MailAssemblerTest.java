package mailshelf.server.mail;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.mail.Multipart;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import mailshelf.core.letter.Letter;
import mailshelf.render.mail.MailBody;
import mailshelf.server.HouseSettings;
import mailshelf.server.MailSettings;
import org.junit.jupiter.api.Test;

/** Mails as other programs read them. */
class MailAssemblerTest {
    private static final String FILE = "Avgångar – vecka 9.pdf";

    private static byte[] mail(String leaveUrl, String text) {
        HouseSettings settings = new HouseSettings(
                Path.of("."),
                Optional.empty(),
                1,
                "http://localhost",
                new MailSettings("shelf@x.example", "localhost", 25, MailTls.NEVER, Optional.empty()),
                List.of(),
                1_000_000,
                "",
                Optional.empty());
        Letter letter = new Letter(
                "Subject",
                "",
                "Marit Lunde via Mail Shelf",
                "marit.lunde@brinewater.example",
                "Ida Solvang",
                "ida.solvang@brinewater.example",
                "subscription-1.x.example",
                "Subject",
                "<1@x.example>",
                Instant.parse("2027-03-01T06:00:00Z"),
                "",
                "",
                "",
                "",
                leaveUrl,
                "");
        return new MailAssembler(settings)
                .issue(
                        letter,
                        new MailBody("<p>11</p>", text),
                        Optional.empty(),
                        Optional.of(new MailAssembler.Attachment(
                                FILE, "application/pdf", "%PDF".getBytes(StandardCharsets.US_ASCII))),
                        new QuotedPrintable());
    }

    private static String asText(byte[] mail) {
        return new String(mail, StandardCharsets.US_ASCII);
    }

    @Test
    void the_name_of_a_file_is_written_as_rfc_2231_has_it() throws Exception {
        byte[] mail = mail("", "eleven");

        assertThat(asText(mail))
                .contains("filename*=UTF-8''Avg%C3%A5ngar%20%E2%80%93%20vecka%209.pdf")
                .doesNotContain("=?UTF-8?");
        Multipart parts = (Multipart)
                new MimeMessage(Session.getInstance(new Properties()), new ByteArrayInputStream(mail)).getContent();
        assertThat(parts.getBodyPart(1).getFileName()).isEqualTo(FILE);
        assertThat(ReadMail.read(mail).attachments())
                .extracting(ReadMail.AttachmentView::name)
                .containsExactly(FILE);
        assertThat(ReadMail.attachment(mail, FILE))
                .hasValueSatisfying(file -> assertThat(asText(file)).isEqualTo("%PDF"));
        assertThat(ReadMail.attachment(mail, "another")).isEmpty();
    }

    @Test
    void one_click_is_offered_over_https_alone() {
        assertThat(asText(mail("https://shelf.example/leave/a", "")))
                .contains("List-Unsubscribe-Post: List-Unsubscribe=One-Click");
        assertThat(asText(mail("http://shelf.example/leave/a", "")))
                .contains("List-Unsubscribe: <http://shelf.example/leave/a>")
                .doesNotContain("List-Unsubscribe-Post");
    }

    @Test
    void no_line_of_a_text_begins_another_mail_in_a_mailbox_file() {
        byte[] mail = mail("", "Good morning\nFrom here on it is calm.\nFrom\n");

        assertThat(asText(mail).lines()).noneMatch(line -> line.startsWith("From "));
        assertThat(ReadMail.read(mail).text()).contains("\nFrom here on it is calm.");
    }
}
