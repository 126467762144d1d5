package mailshelf.bench;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** How long a view takes from its address to what one acts on, in a browser on this machine with the demo's data. */
@Command(name = "views", description = "How soon each view of a running demo can be used.")
final class Views implements Callable<Integer> {
    private static final Map<String, String> VIEWS = new LinkedHashMap<>();

    static {
        VIEWS.put("/", "[data-spine]");
        VIEWS.put("/library", "article a");
        VIEWS.put("/reports/1", "main svg");
        VIEWS.put("/issues/1", "aside");
        VIEWS.put("/compose?report=1", "main iframe");
        VIEWS.put("/subscriptions", "main a");
    }

    /** Notes when the part that one acts on has been painted. */
    private static final String NOTED = """
            const look = () => document.querySelector('%s')
              ? requestAnimationFrame(() => { window.usableAt = performance.now() })
              : requestAnimationFrame(look);
            look();
            """;

    private static final String PAINTED =
            "() => new Promise(go => requestAnimationFrame(() => requestAnimationFrame(() => go(window.usableAt))))";

    @Option(names = "--address", defaultValue = "http://localhost:8080", description = "of a running demo")
    String address;

    @Option(names = "--times", defaultValue = "15")
    int times;

    @Override
    public Integer call() throws IOException {
        try (Browser browser = new Browser()) {
            Page page = browser.page();
            page.navigate(address + "/sign-in");
            page.getByText("Sunniva Rein").click();
            page.waitForURL(address + "/");
            VIEWS.forEach((view, part) -> System.out.printf("%-20s %4.0f ms%n", view, median(browser, view, part)));
        }
        return 0;
    }

    /** By the page's own clock, which begins with the navigation. */
    private double median(Browser browser, String view, String part) {
        try (Page page = browser.newPage()) {
            page.addInitScript(NOTED.formatted(part));
            double[] taken = new double[times];
            for (int i = 0; i < times; i++) {
                page.navigate(address + view);
                page.waitForSelector(part);
                taken[i] = ((Number) page.evaluate(PAINTED)).doubleValue();
            }
            Arrays.sort(taken);
            return taken[times / 2];
        }
    }
}
