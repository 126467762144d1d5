package mailshelf.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Somebody at a browser, who finds things by their role and name. */
final class Reader implements AutoCloseable {
    private static final List<String> FLAGS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");

    /** Long, since a machine may give a fraction of its speed for a while. */
    private static final long PATIENCE_MILLIS = 60_000;

    private final Playwright playwright;
    private final BrowserContext context;
    private final List<String> complaints = new ArrayList<>();
    final Page page;

    private Reader(String url) {
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        context = playwright
                .chromium()
                .launchPersistentContext(
                        profile(),
                        new BrowserType.LaunchPersistentContextOptions()
                                .setExecutablePath(Path.of("/usr/bin/chromium"))
                                .setHeadless(true)
                                .setArgs(FLAGS)
                                .setBaseURL(url)
                                .setLocale("en-GB")
                                .setTimezoneId("Europe/Oslo")
                                .setViewportSize(1280, 800));
        page = context.pages().get(0);
        page.setDefaultTimeout(PATIENCE_MILLIS);
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE_MILLIS);
        page.onPageError(complaints::add);
    }

    static Reader at(String url) {
        return new Reader(url);
    }

    static Reader at(RunningServer server) {
        return new Reader(server.url());
    }

    private static Path profile() {
        try {
            return Files.createTempDirectory("profile");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** By the demo's one click; whoever was signed in before is signed out. */
    Reader signInAs(String name) {
        toSignIn();
        button(name).click();
        page.waitForURL("**/");
        return this;
    }

    /** To the door, as nobody. */
    void toSignIn() {
        // the page that is left would notice, and have signing in lead back to where it was
        page.navigate("about:blank");
        context.clearCookies();
        page.navigate("/sign-in");
    }

    void open(String section) {
        page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Sections"))
                .first()
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(section))
                .click();
    }

    Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    Locator link(String name) {
        return page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    Locator heading(String name) {
        return page.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    Locator field(String name) {
        return page.getByLabel(name, new Page.GetByLabelOptions().setExact(true));
    }

    Locator region(String name) {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** What scripts on the page complained of. */
    List<String> complaints() {
        return complaints;
    }

    @Override
    public void close() {
        context.close();
        playwright.close();
    }
}
