package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Issues that go on from where the one before ended, whenever that was. */
class SinceLastIssueTest {
    private static final long MARIT = 2;
    private static final ZoneId OSLO = ZoneId.of("Europe/Oslo");

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("since-last-issue");

    @Test
    void each_issue_shows_the_days_that_the_one_before_did_not() {
        Api marit = DEMO.as("Marit Lunde");
        passThisMorning(marit);
        Map<String, Object> terms = Wishes.with(
                Wishes.of(Wishes.terms(MARIT), "period", "since-last-issue"),
                "schedule",
                Wishes.schedule("FREQ=DAILY", "07:00"));
        long id = marit.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
        LocalDate today = Clock.now(marit).atZone(OSLO).toLocalDate();

        long first = Sends.issue(marit, id);
        long again = Sends.issue(marit, id);
        Clock.moveTo(marit, Clock.now(marit).plusSeconds(2 * 86_400));
        Wait.until(
                "both mornings are sent",
                () -> marit.get("subscriptions/" + id).get("line").get("spines").size() == 4);

        assertThat(shown(marit, first)).isEqualTo(live(marit, today.minusDays(7), today.minusDays(1)));
        assertThat(marit.get("issues/" + again).get("made").asBoolean())
                .as("of today there are no rows yet")
                .isFalse();
        assertThat(shown(marit, spine(marit, id, 2))).isEqualTo(live(marit, today, today));
        assertThat(shown(marit, spine(marit, id, 3))).isEqualTo(live(marit, today.plusDays(1), today.plusDays(1)));
        Map<String, Object> draft = Wishes.draft(terms);
        draft.put("own", id);
        JsonNode composed = marit.post("compositions", draft);
        assertThat(composed.get("sends").get(0).get("days").asString())
                .isNotEqualTo(composed.get("sends").get(1).get("days").asString());
        assertThat(marit.get("subscriptions/" + id).get("fullSentence").asString())
                .contains("for the days since the last issue, ");
    }

    @Test
    void it_is_chosen_among_the_periods_of_a_subscription() {
        Reader reader = DEMO.reader().signInAs("Ida Solvang");
        reader.page.navigate("/compose?report=1&page=overview");
        reader.button("last week").click();
        reader.button("since the last issue").click();

        assertThat(reader.button("the days since the last issue")).isVisible();
        assertThat(reader.page.getByText("would be in neither")).hasCount(0);
    }

    /** So that the next send is tomorrow's at whatever hour it is tested. */
    private static void passThisMorning(Api who) {
        ZonedDateTime now = Clock.now(who).atZone(OSLO);
        if (now.getHour() < 8) {
            Clock.moveTo(who, now.withHour(8).toInstant());
        }
    }

    private static long spine(Api who, long subscription, int place) {
        return who.get("subscriptions/" + subscription)
                .get("line")
                .get("spines")
                .get(place)
                .get("id")
                .asLong();
    }

    /** The days that an issue says it shows. */
    private static String shown(Api who, long issue) {
        String showing = showing(who.get("issues/" + issue));
        return showing.substring(0, showing.indexOf(", the days since the last issue"));
    }

    /** The same days in the reader. */
    private static String live(Api who, LocalDate from, LocalDate to) {
        return showing(who.get("reports/1?page=overview&period=" + from + "/" + to));
    }

    private static String showing(JsonNode view) {
        return view.get("shown").get("page").get("showing").asString();
    }
}
