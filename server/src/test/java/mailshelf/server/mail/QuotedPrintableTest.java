package mailshelf.server.mail;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.mail.internet.MimeUtility;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Texts on their way through a mail, read back by the library that mail programs' authors use. */
class QuotedPrintableTest {
    private static final String SIGNS = "aB9 =.<>\t\u2009\u2212\u00e6\ud83d\ude80\n";

    @Test
    void any_text_comes_back_as_it_was() throws Exception {
        Random random = new Random(5);
        QuotedPrintable encoder = new QuotedPrintable();
        for (int i = 0; i < 2000; i++) {
            String text = random.ints(random.nextInt(400), 0, SIGNS.codePointCount(0, SIGNS.length()))
                    .mapToObj(at -> Character.toString(SIGNS.codePointAt(SIGNS.offsetByCodePoints(0, at))))
                    .reduce("", String::concat);

            byte[] encoded = encoder.encode(text);

            assertThat(decoded(encoded)).isEqualTo(text.replace("\n", "\r\n"));
            assertThat(new String(encoded, StandardCharsets.US_ASCII).split("\r\n", -1))
                    .allSatisfy(line -> assertThat(line)
                            .hasSizeLessThanOrEqualTo(76)
                            .matches("[ -~]*")
                            .doesNotEndWith(" "));
        }
    }

    @ParameterizedTest
    @CsvSource({"a=b, a=3Db", "'ends with a blank ', ends with a blank=20", "\u2212 4, =E2=88=92 4"})
    void what_has_to_be_is_written_by_its_bytes(String text, String encoded) {
        assertThat(new String(new QuotedPrintable().encode(text), StandardCharsets.US_ASCII))
                .isEqualTo(encoded);
    }

    private static String decoded(byte[] encoded) throws Exception {
        return new String(
                MimeUtility.decode(new ByteArrayInputStream(encoded), QuotedPrintable.NAME)
                        .readAllBytes(),
                StandardCharsets.UTF_8);
    }
}
