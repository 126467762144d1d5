package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** A mail as it is read at 375 px, in the light and in the dark, with pictures blocked, and as plain text. */
class MailOnAPhoneTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("phone");

    private static final String INBOX = "mail-room/ida.solvang@brinewater.example";

    @Test
    void it_is_readable_in_both_lights_with_pictures_blocked() {
        JsonNode mail = mail();
        Page page = DEMO.reader().page;
        page.setViewportSize(375, 700);
        for (ColorScheme light : List.of(ColorScheme.LIGHT, ColorScheme.DARK)) {
            page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(light));
            page.setContent(mail.get("html").asString().replaceAll("src=\"data:[^\"]+\"", "src=\"cid:blocked\""));
            assertThat(PageCheck.overflow(page))
                    .as("wider than the phone, %s", light)
                    .isEqualTo(0);
            assertThat(PageCheck.faults(page)).as(light.name()).isEmpty();
            for (JsonNode figure : figures()) {
                assertThat(page.locator("body").innerText())
                        .contains(
                                figure.get("title").asString(),
                                figure.get("value").asString());
            }
        }
    }

    @Test
    void the_plain_text_says_the_same_figures_and_how_to_leave() {
        String text = mail().get("text").asString();
        for (JsonNode figure : figures()) {
            assertThat(text)
                    .contains(figure.get("title").asString() + ": "
                            + figure.get("value").asString());
        }
        assertThat(text).contains("/leave/");
    }

    private static JsonNode mail() {
        Api ida = DEMO.as("Ida Solvang");
        String id = ida.get(INBOX).get(0).get("id").asString();
        return ida.get(INBOX + "/mails/" + id);
    }

    /** The same issue's, as the shelf keeps them. */
    private static JsonNode figures() {
        Api ida = DEMO.as("Ida Solvang");
        String name = mail().get("subject").asString().replaceAll(": No\\..*", "");
        long newest = ida.get("shelf")
                .get("rows")
                .valueStream()
                .filter(row -> row.get("title").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("spines")
                .valueStream()
                .filter(spine -> spine.hasNonNull("id"))
                .map(spine -> spine.get("id").asLong())
                .max(Long::compare)
                .orElseThrow();
        return ida.get("issues/" + newest).get("shown").get("page").get("figures");
    }
}
