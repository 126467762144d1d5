package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.ReducedMotion;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Every view, with its editors open, in both lights and at all widths, against the rules of WCAG 2.2 that a program can
 * check.
 */
class AccessibleTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("accessible");

    private static final String MOVING = """
            () => [...document.querySelectorAll('*')].filter(one => {
              const style = getComputedStyle(one);
              return style.animationName !== 'none' || style.transitionDuration.split(', ').some(each => each !== '0s');
            }).map(one => one.tagName)
            """;

    /** The smallest that is meant, a phone, half of 1280 (at 200 %), and a screen of 4K. */
    private static final int[] WIDTHS = {320, 390, 640, 3840};

    private static final Route.FulfillOptions FAILED = new Route.FulfillOptions()
            .setStatus(503)
            .setContentType("application/problem+json")
            .setBody("""
                    {"code": "house.no-room", "happened": "The disk is full.", "means": "Nothing was changed.",
                     "todo": "Try again when there is room.", "faults": []}""");

    private static Reader reader;

    record View(String name, String address, Consumer<Reader> open) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<View> views() {
        Consumer<Reader> nothing = reader -> {};
        return Stream.of(
                new View("shelf", "/", nothing),
                new View("tight shelf", "/?rows=tight", nothing),
                new View("empty shelf", "/?scope=CHOSEN_BY_ME", nothing),
                new View("library", "/library", nothing),
                new View("library without a find", "/library?words=whales", nothing),
                new View("reader", "/reports/1", nothing),
                new View(
                        "period",
                        "/reports/1",
                        reader -> reader.button("last week").click()),
                new View(
                        "filter",
                        "/reports/1",
                        reader -> reader.button("every route").click()),
                new View(
                        "narrowed",
                        "/reports/1?between=delay:10..60&top=route:3..cancelled",
                        reader -> reader.button("minutes late 10 to 60").click()),
                new View(
                        "narrowing by another column",
                        "/reports/1",
                        reader -> reader.button("narrow further").click()),
                new View(
                        "keeping a cut",
                        "/reports/1",
                        reader -> reader.button("keep this cut").click()),
                new View("rows", "/reports/1?page=every", AccessibleTest::chooseColumns),
                new View("rows behind", "/reports/1?behind=b1", nothing),
                new View("favourites", "/library?order=FAVOURITES", nothing),
                new View("new report", "/reports/new", nothing),
                new View("writing", "/reports/1/edit", AccessibleTest::writeBadly),
                new View("data sets", "/data", nothing),
                new View(
                        "data set",
                        "/data/1",
                        reader -> reader.button("Rule who sees which rows").click()),
                new View("new data set", "/data/new", AccessibleTest::dropFile),
                new View("rows from a query", "/data/new", AccessibleTest::askQuery),
                new View(
                        "named values",
                        "/named",
                        reader -> reader.button("New named value").click()),
                new View("clippings", "/clippings", nothing),
                new View(
                        "clipping",
                        "/clippings/1",
                        reader -> reader.button("rename").click()),
                new View("report that asks", "/reports/3", nothing),
                new View(
                        "composer of a clipping",
                        "/compose?clipping=1",
                        reader -> reader.page
                                .getByRole(
                                        AriaRole.BUTTON,
                                        new Page.GetByRoleOptions().setName(Pattern.compile("^the clipping")))
                                .click()),
                new View(
                        "clipping blocks",
                        "/reports/1",
                        reader -> reader.button("clip blocks of it").click()),
                new View("composer", "/compose?report=1", AccessibleTest::openEveryPart),
                new View("letter", "/compose?change=4", AccessibleTest::openLetter),
                new View("picking a report", "/compose", nothing),
                new View("subscriptions", "/subscriptions", nothing),
                new View(
                        "sending",
                        "/subscriptions/1",
                        reader -> reader.button("send now…").click()),
                new View(
                        "pausing",
                        "/subscriptions/1",
                        reader -> reader.button("pause…").click()),
                new View("handing over", "/subscriptions/1", AccessibleTest::handOver),
                new View("placing a report", "/reports/1/edit", AccessibleTest::removeReport),
                new View("changing a person", "/house/people", AccessibleTest::handAllOver),
                new View(
                        "changing a group",
                        "/house/groups",
                        reader -> reader.button("Rename or remove Operations").click()),
                new View(
                        "changing a folder",
                        "/house/rights",
                        reader -> reader.button("Change the folder Traffic").click()),
                new View("issue", "/issues/1", nothing),
                new View("run", "/runs/1", nothing),
                new View("mail room", "/mail-room", nothing),
                new View(
                        "rights",
                        "/house",
                        reader -> reader.button("Board in Traffic: see").click()),
                new View("people", "/house/people", nothing),
                new View("groups", "/house/groups", nothing),
                new View(
                        "sources",
                        "/house/sources",
                        reader -> reader.button("Register a source").click()),
                new View("requests", "/house/requests", nothing),
                new View("house rules", "/house/rules", nothing),
                new View(
                        "personal columns",
                        "/data/5",
                        reader -> reader.button("change which").click()),
                new View("audit trail", "/house/audit", nothing),
                new View("account", "/account", nothing),
                new View("keys", "/library", reader -> reader.page.keyboard().press("?")),
                new View("no such thing", "/subscriptions/99999", nothing),
                new View("no such address", "/nowhere", nothing));
    }

    private static void writeBadly(Reader reader) {
        reader.button("versions").click();
        reader.page.getByLabel("The report as text").fill("report: X\nabout: Y\ndata: sailings\npages: none\n");
        assertThat(reader.page.getByText("must be a list")).isVisible();
    }

    private static void handOver(Reader reader) {
        reader.button("hand over…").click();
        reader.button("choose Tor Egeland").click();
        assertThat(reader.page.getByText("may not subscribe others to what it sends"))
                .isVisible();
    }

    private static void removeReport(Reader reader) {
        reader.button("move or remove…").click();
        reader.button("remove it from the library…").click();
        assertThat(reader.page.getByText("and its owner is told").first()).isVisible();
    }

    private static void handAllOver(Reader reader) {
        reader.button("Change Marit Lunde").click();
        reader.button("hand them all over…").click();
        assertThat(reader.field("Name or address")).isVisible();
    }

    private static void chooseColumns(Reader reader) {
        reader.page.getByText(Pattern.compile("\\d+ of \\d+ columns")).click();
    }

    private static void dropFile(Reader reader) {
        byte[] csv = "day,berth,boats\n3/4/2026,007,1\n5/6/2026,008,two\n".getBytes(StandardCharsets.UTF_8);
        reader.page.getByLabel("Drop a CSV file here").setInputFiles(new FilePayload("berths.csv", "text/csv", csv));
        reader.page.getByLabel("Type of boats").selectOption("NUMBER");
        assertThat(reader.page.getByText("1 value does not fit")).isVisible();
    }

    private static void askQuery(Reader reader) {
        reader.page.getByLabel("a query on a database").check();
        reader.page.getByLabel("Query (SQL)").fill("SELECT 1 AS one");
    }

    private static void openLetter(Reader reader) {
        reader.button("under a subject and after words of its own").click();
        reader.field("Subject, with fields in braces").fill("{no such field}");
        assertThat(reader.page.getByText("There is no field")).isVisible();
    }

    private static void openEveryPart(Reader reader) {
        for (String part :
                List.of("Every Monday at 07:00 (Europe/Oslo)", "last week", "every route, vessel and cause", "me")) {
            reader.button(part).click();
        }
        assertThat(reader.field("Name or address")).isVisible();
    }

    @BeforeAll
    static void start() {
        reader = DEMO.reader().signInAs("Sunniva Rein");
        Map<String, Object> clip =
                Map.of("report", 1, "page", "overview", "block", "b5", "period", "last-week", "filters", List.of());
        DEMO.as("Sunniva Rein").post("clippings", Map.of("name", "For Monday", "clips", List.of(clip)));
        DEMO.as("Sunniva Rein").post("sources", Wishes.database("Booking desk", "jdbc:h2:tcp://127.0.0.1/desk"));
    }

    @ParameterizedTest
    @MethodSource("views")
    void a_view_has_no_fault(View view) {
        for (String light : List.of("daylight", "lamplight")) {
            reader.page.evaluate("light => localStorage.setItem('theme', light)", light);
            assertThat(reader.page.navigate(view.address()).status())
                    .isEqualTo(view.address().equals("/nowhere") ? 404 : 200);
            assertThat(reader.page.getByRole(AriaRole.MAIN)).isVisible();
            reader.page.waitForLoadState(LoadState.NETWORKIDLE);
            view.open().accept(reader);
            assertThat(PageCheck.faults(reader.page)).as(light).isEmpty();
        }
        for (int width : WIDTHS) {
            reader.page.setViewportSize(width, 800);
            assertThat(PageCheck.overflow(reader.page))
                    .as("wider than %d px by", width)
                    .isEqualTo(0);
        }
        reader.page.setViewportSize(1280, 800);
    }

    static Stream<String> addresses() {
        return views().map(View::address).distinct();
    }

    @ParameterizedTest
    @MethodSource("addresses")
    void neither_has_a_view_whose_content_is_still_on_its_way_or_cannot_be_had(String address) {
        for (String light : List.of("daylight", "lamplight")) {
            reader.page.evaluate("light => localStorage.setItem('theme', light)", light);
            answered(address, Optional.empty(), "Being fetched…", light);
            answered(address, Optional.of(FAILED), "The disk is full.", light);
        }
    }

    /** Shows a view for which the server has one answer, or none yet; who is signed in is answered as always. */
    private static void answered(String address, Optional<Route.FulfillOptions> answer, String shown, String light) {
        List<Route> held = new ArrayList<>();
        reader.page.route(
                url -> url.contains("/api/v1/") && !url.endsWith("/session"),
                route -> answer.ifPresentOrElse(route::fulfill, () -> held.add(route)));
        reader.page.navigate(address);
        assertThat(reader.page.getByRole(AriaRole.MAIN)).isVisible();
        if (!address.equals("/nowhere")) {
            assertThat(reader.page.getByText(shown).first()).isVisible();
        }
        assertThat(PageCheck.faults(reader.page)).as("%s, %s", light, shown).isEmpty();
        held.forEach(Route::abort);
        reader.page.unrouteAll();
    }

    @Test
    void nothing_moves_for_who_wants_nothing_to_move() {
        reader.page.emulateMedia(new Page.EmulateMediaOptions().setReducedMotion(ReducedMotion.REDUCE));
        reader.page.navigate("/");
        assertThat(reader.page.getByRole(AriaRole.MAIN)).isVisible();
        reader.page.waitForLoadState(LoadState.NETWORKIDLE);
        assertThat((List<?>) reader.page.evaluate(MOVING)).isEmpty();
        reader.page.emulateMedia(new Page.EmulateMediaOptions().setReducedMotion(ReducedMotion.NO_PREFERENCE));
        assertThat((List<?>) reader.page.evaluate(MOVING)).isNotEmpty();
    }
}
