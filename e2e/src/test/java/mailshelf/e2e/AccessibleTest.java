package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.ReducedMotion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
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

    private static final Path AXE = Path.of("../web/node_modules/axe-core/axe.min.js");
    private static final String FAULTS = """
            () => axe.run(document, {
              iframes: false,
              resultTypes: ['violations'],
              runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],
              rules: { 'label-content-name-mismatch': { enabled: true } },
            }).then(found =>
              found.violations.flatMap(rule => rule.nodes.map(node => rule.id + ': ' + node.target + ' ' +
                node.any.concat(node.all).map(check => check.message).join('; '))))
            """;

    private static final String MOVING = """
            () => [...document.querySelectorAll('*')].filter(one => {
              const style = getComputedStyle(one);
              return style.animationName !== 'none' || style.transitionDuration.split(', ').some(each => each !== '0s');
            }).map(one => one.tagName)
            """;

    /** The smallest that is meant, a phone, half of 1280 (at 200 %), and a screen of 4K. */
    private static final int[] WIDTHS = {320, 390, 640, 3840};

    private static Reader reader;
    private static String axe;

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
                new View("rows", "/reports/1?page=every", nothing),
                new View("composer", "/compose?report=1", AccessibleTest::openEveryPart),
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
                new View("issue", "/issues/1", nothing),
                new View("run", "/runs/1", nothing),
                new View("mail room", "/mail-room", nothing),
                new View(
                        "rights",
                        "/house",
                        reader -> reader.button("Board in Traffic: see").click()),
                new View("people", "/house/people", nothing),
                new View("groups", "/house/groups", nothing),
                new View("audit trail", "/house/audit", nothing),
                new View("account", "/account", nothing),
                new View("keys", "/library", reader -> reader.page.keyboard().press("?")),
                new View("no such thing", "/subscriptions/99999", nothing),
                new View("no such address", "/nowhere", nothing));
    }

    private static void openEveryPart(Reader reader) {
        for (String part :
                List.of("Every Monday at 07:00 (Europe/Oslo)", "last week", "every route, vessel and cause", "me")) {
            reader.button(part).click();
        }
        assertThat(reader.field("Name or address")).isVisible();
    }

    @BeforeAll
    static void start() throws IOException {
        axe = Files.readString(AXE);
        reader = DEMO.reader().signInAs("Sunniva Rein");
    }

    @ParameterizedTest
    @MethodSource("views")
    void a_view_has_no_fault(View view) {
        for (String light : List.of("daylight", "lamplight")) {
            reader.page.evaluate("light => localStorage.setItem('theme', light)", light);
            reader.page.navigate(view.address());
            assertThat(reader.page.getByRole(AriaRole.MAIN)).isVisible();
            reader.page.waitForLoadState(LoadState.NETWORKIDLE);
            view.open().accept(reader);
            reader.page.evaluate(axe);
            assertThat((List<?>) reader.page.evaluate(FAULTS)).as(light).isEmpty();
        }
        for (int width : WIDTHS) {
            reader.page.setViewportSize(width, 800);
            assertThat(reader.page.evaluate("document.documentElement.scrollWidth - window.innerWidth"))
                    .as("wider than %d px by", width)
                    .isEqualTo(0);
        }
        reader.page.setViewportSize(1280, 800);
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
