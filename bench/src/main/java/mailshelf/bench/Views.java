package mailshelf.bench;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitUntilState;
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
            VIEWS.forEach((view, part) -> System.out.printf("%-20s %4.0f ms%n", view, median(page, view, part)));
        }
        return 0;
    }

    private double median(Page page, String view, String part) {
        double[] taken = new double[times];
        for (int i = 0; i < times; i++) {
            long start = System.nanoTime();
            page.navigate(address + view, new Page.NavigateOptions().setWaitUntil(WaitUntilState.COMMIT));
            page.waitForSelector(part);
            taken[i] = (System.nanoTime() - start) / 1e6;
        }
        Arrays.sort(taken);
        return taken[times / 2];
    }
}
