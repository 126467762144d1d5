package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.Instant;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** The whole way from the sign-in to the issue, and an administrator's change, without a pointer. */
class KeyboardTest {
    private static final String NAME = "Sandvoll by keys";

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("keyboard");

    @Test
    void a_report_is_subscribed_to_sent_and_read_on_the_shelf() {
        Reader reader = DEMO.reader();
        Keyboard keys = new Keyboard(reader.page);
        signIn(keys, "Marit Lunde");
        subscribe(keys, reader);
        while (subscription().get("spines").isEmpty()) {
            move(keys, reader);
        }
        keys.press("/");
        assertThat(reader.field("Find a report")).isFocused();
        readOnTheShelf(keys, reader);
    }

    @Test
    void a_right_is_given_and_the_keys_are_shown_and_switched_off() {
        Reader reader = DEMO.reader();
        Keyboard keys = new Keyboard(reader.page);
        signIn(keys, "Sunniva Rein");
        keys.enter("House");
        keys.enter("Board in Traffic: see");
        keys.enter("for the team");
        keys.enter("Change it");
        assertThat(reader.button("Board in Traffic: for the team")).isVisible();
        assertThat(reader.page.getByRole(AriaRole.DIALOG)).hasCount(0);

        keys.press("?");
        assertThat(reader.page.getByRole(AriaRole.DIALOG)).containsText("these keys");
        keys.enter("off");
        keys.press("Escape");
        assertThat(reader.page.getByRole(AriaRole.DIALOG)).hasCount(0);
        keys.press("?");
        keys.press("Control+k");
        assertThat(reader.field("Find a report")).isFocused();
        assertThat(reader.page.getByRole(AriaRole.DIALOG)).hasCount(0);
    }

    private static void signIn(Keyboard keys, String name) {
        Reader reader = DEMO.reader();
        reader.toSignIn();
        reader.page.evaluate("localStorage.clear()");
        assertThat(reader.button(name)).isVisible();
        keys.enter(name);
        reader.page.waitForURL("**/");
        assertThat(reader.heading("Shelf")
                        .or(reader.page.getByRole(AriaRole.MAIN))
                        .first())
                .isVisible();
    }

    private static void subscribe(Keyboard keys, Reader reader) {
        keys.enter("Library");
        assertThat(reader.link("Cancelled sailings")).isVisible();
        keys.enter("Cancelled sailings");
        assertThat(reader.button("every route")).isVisible();
        keys.enter("every route");
        keys.to("3 Sandvoll–Ness").press("Space");
        assertThat(reader.button("3 Sandvoll–Ness")).isVisible();
        keys.enter("Subscribe to this");
        assertThat(reader.button("me")).isVisible();
        keys.enter("me");
        keys.enter("Add Ida Solvang");
        keys.enter("Cancelled sailings");
        keys.type("Name, as it stands on the shelf and opens the subject", NAME);
        keys.enter("Start subscription");
        assertThat(reader.page.getByText(Pattern.compile("“" + NAME + "” is started")))
                .isVisible();
    }

    private static void move(Keyboard keys, Reader reader) {
        if (!reader.page.url().endsWith("/mail-room")) {
            keys.enter("Mail room");
            assertThat(reader.button("Move to the next send")).isEnabled();
        }
        Api marit = DEMO.as("Marit Lunde");
        Instant due = Instant.parse(marit.get("clock").get("nextSend").asString());
        keys.enter("Move to the next send");
        Wait.until("the clock has gone on and rests", () -> {
            JsonNode clock = marit.get("clock");
            return clock.get("movingTo").isNull()
                    && !Instant.parse(clock.get("now").asString()).isBefore(due);
        });
        assertThat(reader.button("Move to the next send")).isEnabled();
    }

    private static void readOnTheShelf(Keyboard keys, Reader reader) {
        keys.enter("Shelf");
        assertThat(reader.page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName(NAME)))
                .isVisible();
        // one stop for the whole shelf; letters lead to the row
        while (!(boolean) reader.page.evaluate("document.activeElement.matches('[data-spine]')")) {
            keys.press("Tab");
        }
        reader.page.keyboard().type("sandvoll");
        keys.press("Enter");
        reader.page.waitForURL(Pattern.compile("/issues/\\d+$"));
        assertThat(reader.page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Colophon")))
                .containsText("only route 3 Sandvoll–Ness");
    }

    private static JsonNode subscription() {
        return DEMO.as("Marit Lunde")
                .get("subscriptions")
                .valueStream()
                .filter(line -> line.get("name").asString().equals(NAME))
                .findFirst()
                .orElseThrow();
    }
}
