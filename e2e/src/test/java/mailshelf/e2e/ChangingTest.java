package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Changing a subscription in a real browser: what it answers, and what becomes of two changes at once. */
class ChangingTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("changing");

    private static final long MARIT = 2;
    private static final long IDA = 3;
    private static int made;

    private Api marit;
    private Reader reader;
    private String name;
    private long id;

    @BeforeEach
    void a_subscription_of_marits() {
        marit = DEMO.as("Marit Lunde");
        name = "To be changed " + ++made;
        Map<String, Object> terms = new LinkedHashMap<>(Wishes.terms(MARIT));
        terms.put("name", name);
        id = marit.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
        reader = DEMO.reader().signInAs("Marit Lunde");
    }

    private JsonNode kept() {
        return marit.get("subscriptions/" + id);
    }

    private static void choosePeriod(Page page, String from, String to) {
        button(page, from).click();
        button(page, to).click();
        assertThat(button(page, "Keep changes")).isEnabled();
    }

    private static Locator button(Page page, String text) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(text).setExact(true));
    }

    @Test
    void what_is_kept_is_said_with_the_send_that_it_counts_from_and_one_is_back_where_one_was() {
        Page page = reader.page;
        page.navigate("/subscriptions");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("change: " + name))
                .click();
        choosePeriod(page, "last week", "last month");

        button(page, "Keep changes").click();

        assertThat(page.getByText(Pattern.compile("“" + name + "” is changed, counting from the send on .+")))
                .isVisible();
        assertThat(page).hasURL(Pattern.compile(".*/subscriptions$"));
        assertThat(kept().get("terms").get("content").get(0).get("period").asString())
                .isEqualTo("last-month");
    }

    @Test
    void without_a_network_it_is_said_at_once_nothing_is_lost_and_nothing_is_sent_later_by_itself() {
        Page page = reader.page;
        page.navigate("/compose?change=" + id);
        assertThat(page).hasTitle("Changing “" + name + "” · Mail Shelf");
        choosePeriod(page, "last week", "last month");
        assertThat(page.locator("main")).containsText("for last month");
        page.context().setOffline(true);

        button(page, "Keep changes").click();

        assertThat(page.getByText("The server does not answer.").first()).isVisible();
        page.context().setOffline(false);
        assertThat(page.locator("main")).containsText("for last month");
        assertThat(button(page, "Keep changes")).isEnabled();
        assertThat(kept().get("version").asInt()).isEqualTo(1);
        button(page, "Keep changes").click();
        assertThat(page.getByText(Pattern.compile("“" + name + "” is changed"))).isVisible();
        assertThat(kept().get("version").asInt()).isEqualTo(2);
    }

    @Test
    void of_two_windows_the_later_one_sees_both_versions_and_decides_without_losing_its_own() {
        Page first = reader.page;
        first.navigate("/compose?change=" + id);
        Page second = first.context().newPage();
        second.navigate("/compose?change=" + id);
        choosePeriod(second, "last week", "last month");
        choosePeriod(first, "last week", "this month to date");
        button(first, "Keep changes").click();
        assertThat(first.getByText(Pattern.compile("is changed, counting"))).isVisible();

        button(second, "Keep changes").click();

        assertThat(second.getByText(Pattern.compile("^Marit Lunde changed this on .+, while it was open here$")))
                .isVisible();
        assertThat(second.getByText(Pattern.compile("this month to date")).first())
                .isVisible();
        assertThat(button(second, "last month").first()).isVisible();
        assertThat(button(second, "Keep changes")).isDisabled();

        button(second, "Go on with mine").click();
        button(second, "Keep changes").click();
        assertThat(second.getByText(Pattern.compile("is changed, counting"))).isVisible();
        assertThat(kept().get("terms").get("content").get(0).get("period").asString())
                .isEqualTo("last-month");
        assertThat(kept().get("version").asInt()).isEqualTo(3);
    }

    @Test
    void after_somebody_is_taken_off_the_focus_is_where_the_list_is_and_undoing_is_answered() {
        marit.put("subscriptions/" + id + "/recipients/" + IDA, null);
        Page page = reader.page;
        page.navigate("/subscriptions/" + id);
        button(page, "take off Ida Solvang").click();
        assertThat(page.getByText("Ida Solvang is off “" + name + "”.")).isVisible();
        assertThat(reader.region("Who gets it")).isFocused();
        button(page, "Undo").click();
        assertThat(page.getByText("Ida Solvang gets “" + name + "” again")).isVisible();
    }
}
