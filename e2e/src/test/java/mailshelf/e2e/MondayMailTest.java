package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** The whole way in a browser, in the order in which people go it: each step finds what the one before left. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class MondayMailTest {
    private static final String NAME = "Sandvoll on Mondays";

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("monday");

    private static Reader reader;

    @BeforeAll
    static void start() {
        reader = DEMO.reader();
    }

    @Test
    @Order(1)
    void a_report_is_found_by_its_words_and_read_with_exact_values() {
        reader.signInAs("Marit Lunde");
        reader.open("Library");
        reader.field("Search titles, pages, columns").fill("cancelled");
        reader.field("Search titles, pages, columns").press("Enter");
        assertThat(reader.link("Passengers carried")).hasCount(0);
        reader.link("Cancelled sailings").click();

        assertThat(reader.heading("Cancelled sailings")).isVisible();
        Locator chart = reader.page.getByRole(
                AriaRole.GROUP,
                new Page.GetByRoleOptions().setName(Pattern.compile("Chart: Cancelled sailings a week")));
        chart.focus();
        chart.press("Home");
        assertThat(reader.page.getByText(Pattern.compile("^\\d+ \\w{3}: wind \\d+, crew \\d+, engine \\d+$")))
                .isVisible();
    }

    @Test
    @Order(2)
    void it_is_cut_by_a_columns_values_and_by_a_period_that_shows_its_dates() {
        reader.button("every route").click();
        reader.field("3 Sandvoll–Ness").click();
        assertThat(reader.field("3 Sandvoll–Ness")).isChecked();
        assertThat(reader.button("3 Sandvoll–Ness")).isVisible();
        reader.button("last week").click();
        assertThat(reader.page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Periods")))
                .containsText(Pattern.compile("last month\\d+–\\d+ \\w{3} \\d{4}"));
        reader.button("the last 4 weeks").click();
        assertThat(reader.page).hasURL(Pattern.compile("period=last-4-weeks&filter=route"));
        reader.button("the last 4 weeks").click();
        reader.region("What is shown")
                .getByRole(AriaRole.LIST)
                .getByText("last week")
                .click();
    }

    @Test
    @Order(3)
    void two_teammates_are_subscribed_to_what_is_on_the_screen_for_mondays_at_seven() {
        reader.link("Subscribe to this").click();
        reader.button("me").click();
        reader.button("take off Marit Lunde (myself)").click();
        assertThat(reader.page.getByText("Still missing: to whom.")).isVisible();
        assertThat(reader.button("Start subscription")).isDisabled();
        reader.button("Add Ida Solvang").click();
        reader.button("Add Tor Egeland").click();
        reader.button("Cancelled sailings").click();
        reader.field("Name, as it stands on the shelf and opens the subject").fill(NAME);

        assertThat(reader.region("The subscription as a sentence"))
                .containsText("Every Monday at 07:00 (Europe/Oslo), the page “Overview” of Cancelled sailings for");
        assertThat(reader.region("The next sends").getByRole(AriaRole.LISTITEM)).hasCount(12);
        assertThat(reader.page
                        .frameLocator("iframe[title='The mail as Ida Solvang gets it']")
                        .getByText("Overview"))
                .isVisible();
        reader.page
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^PDF, 1 sheet")))
                .click();
        assertThat(reader.page.getByRole(AriaRole.LISTITEM, new Page.GetByRoleOptions().setName("Sheet 1 of 1")))
                .isVisible();

        reader.button("Start subscription").click();
        assertThat(reader.page.getByText(Pattern.compile("“" + NAME + "” is started. The first send is Mon")))
                .isVisible();
        assertThat(reader.heading("Cancelled sailings")).isVisible();
    }

    @Test
    @Order(4)
    void the_clock_reaches_monday_and_the_mail_lies_in_the_inbox() {
        reader.open("Mail room");
        // others fall due before it
        while (subscription().get("spines").isEmpty()) {
            move(reader.button("Move to the next send"));
        }
        inbox("Ida Solvang").click();
        Locator mail = reader.region("Inbox of Ida Solvang")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile(NAME + ": No. 1,")));
        assertThat(mail).isVisible();
        mail.click();
        Locator shown = reader.page.getByRole(
                AriaRole.ARTICLE, new Page.GetByRoleOptions().setName(Pattern.compile(NAME + ": No. 1,")));
        assertThat(shown).containsText("from Marit Lunde via Mail Shelf <mail-shelf@brinewater.example>");
        Locator file = shown.getByRole(
                AriaRole.LINK, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + NAME + ".*\\.pdf$")));
        byte[] pdf = reader.page
                .context()
                .request()
                .get(DEMO.server().url() + file.getAttribute("href"))
                .body();
        assertThat(new String(pdf, StandardCharsets.ISO_8859_1)).startsWith("%PDF-");
    }

    @Test
    @Order(5)
    void the_issue_stands_on_the_shelf_unread_and_is_read_there() {
        reader.signInAs("Ida Solvang");
        Locator row = reader.page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName(NAME));
        Locator spine = row.getByRole(
                AriaRole.LINK, new Locator.GetByRoleOptions().setName(Pattern.compile("^No. 1,.*, unread$")));
        spine.first().click();

        assertThat(reader.heading("Cancelled sailings a week, by cause")
                        .or(reader.page.getByText("Cancelled sailings a week, by cause"))
                        .first())
                .isVisible();
        assertThat(reader.page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Colophon")))
                .containsText("only route 3 Sandvoll–Ness");
        reader.button("the mail").click();
        assertThat(reader.page.getByRole(AriaRole.ARTICLE)).containsText("as a mail program shows it");
        reader.open("Shelf");
        assertThat(row.getByRole(
                                AriaRole.LINK,
                                new Locator.GetByRoleOptions().setName(Pattern.compile("^No. 1,.*, read$")))
                        .first())
                .isVisible();
    }

    @Test
    @Order(6)
    void the_kept_mail_is_byte_for_byte_what_the_server_received() {
        Api ida = DEMO.as("Ida Solvang");
        long issue = newestIssue(ida);
        String inbox = "mail-room/ida.solvang@brinewater.example";
        String mail = ida.get(inbox).get(0).get("id").asString();

        assertThat(ida.bytes("issues/" + issue + "/mail.eml"))
                .isEqualTo(ida.bytes(inbox + "/mails/" + mail + "/source"));
    }

    @Test
    @Order(7)
    void an_administrator_takes_a_right_away_and_it_is_gone_everywhere_at_once() {
        Api tor = DEMO.as("Tor Egeland");
        long issue = newestIssue(tor);
        String file =
                tor.get("issues/" + issue).get("files").get(0).get("sha256").asString();
        assertThat(tor.status("issues/" + issue + "/files/" + file)).isEqualTo(200);

        reader.signInAs("Sunniva Rein");
        reader.open("House");
        reader.link("groups").click();
        Locator group = reader.region("Route leads");
        group.getByLabel("Tor Egeland").click();
        assertThat(group.getByText("Tor Egeland no longer gets")).isVisible();
        reader.button("Save changes").click();
        assertThat(reader.page.getByText("The members of Route leads are saved."))
                .isVisible();
        assertThat(group.getByLabel("Tor Egeland")).not().isChecked();

        for (String address : new String[] {
            "reports/1", "issues/" + issue, "issues/" + issue + "/files/" + file, "issues/" + issue + "/mail.eml"
        }) {
            assertThat(tor.status(address)).as(address).isEqualTo(404);
        }
        assertThat(tor.get("library").get("entries")).isEmpty();
        assertThat(tor.get("shelf").get("rows")).isEmpty();
        assertThat(tor.get("subscriptions")).isEmpty();
        assertThat(tor.get("subscriptions/next").get("at").isNull()).isTrue();
        reader.signInAs("Tor Egeland");
        reader.page.navigate("/reports/1");
        assertThat(reader.heading("Nothing here")).isVisible();
        assertThat(reader.page.getByText("Cancelled sailings")).hasCount(0);
    }

    @Test
    @Order(8)
    void the_next_issue_goes_to_the_other_one_alone_and_the_run_says_why() {
        reader.signInAs("Marit Lunde");
        reader.open("Mail room");
        moveAWeek();
        reader.open("Subscriptions");
        reader.link(NAME).click();
        reader.region("What was made")
                .getByRole(AriaRole.LISTITEM)
                .first()
                .getByRole(AriaRole.LINK)
                .click();

        assertThat(reader.heading("1 of 1 delivered.")).isVisible();
        Locator runs =
                reader.page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Recipients of this run"));
        assertThat(runs.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Ida Solvang")))
                .containsText("accepted");
        assertThat(runs.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Tor Egeland")))
                .containsText("may not see");
    }

    private static Locator inbox(String name) {
        return reader.page
                .getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Inboxes"))
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(Pattern.compile(name)));
    }

    private static long newestIssue(Api api) {
        return api.get("shelf")
                .get("rows")
                .valueStream()
                .filter(row -> row.get("title").asString().equals(NAME))
                .findFirst()
                .orElseThrow()
                .get("spines")
                .get(0)
                .get("id")
                .asLong();
    }

    private static JsonNode subscription() {
        return DEMO.as("Marit Lunde")
                .get("subscriptions")
                .valueStream()
                .filter(line -> line.get("name").asString().equals(NAME))
                .findFirst()
                .orElseThrow();
    }

    private static void moveAWeek() {
        String monday = subscription().get("nextDue").asString();
        reader.field("Later").fill(monday.substring(0, 10) + "T08:00");
        move(reader.button("Move to then"));
    }

    /** Until the clock has arrived and the page tells of the next send again. */
    private static void move(Locator button) {
        reader.page.waitForResponse(answer -> answer.request().method().equals("POST"), button::click);
        Clock.awaitRest(DEMO.as("Marit Lunde"));
        assertThat(reader.region("The demo’s clock").getByRole(AriaRole.STATUS)).containsText("the next send is");
    }
}
