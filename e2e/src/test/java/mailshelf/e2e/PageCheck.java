package mailshelf.e2e;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** What a program can check of a page as it is shown. */
final class PageCheck {
    private static final String AXE = read(Path.of("../web/node_modules/axe-core/axe.min.js"));
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

    private PageCheck() {}

    /** Where it breaks the rules of WCAG 2.2, A and AA. */
    static List<?> faults(Page page) {
        page.evaluate(AXE);
        return (List<?>) page.evaluate(FAULTS);
    }

    /** By how many pixels it is wider than its window. */
    static int overflow(Page page) {
        return ((Number) page.evaluate("document.documentElement.scrollWidth - window.innerWidth")).intValue();
    }

    private static String read(Path script) {
        try {
            return Files.readString(script);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
