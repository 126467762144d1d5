package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.Map;

/** Somebody who has a keyboard and nothing else: goes from control to control and sees where the focus is. */
final class Keyboard {
    private static final int FARTHEST = 200;
    private static final String FOCUSED = """
            () => {
              const at = document.activeElement;
              const style = getComputedStyle(at);
              const box = at.getBoundingClientRect();
              const middle = document.elementFromPoint(box.x + box.width / 2, box.y + Math.min(box.height, 30) / 2);
              return {
                name: (at.ariaLabel ?? at.labels?.[0]?.innerText ?? at.innerText ?? '').trim(),
                outlined: style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) >= 2,
                uncovered: middle !== null && (at.contains(middle) || middle.contains(at)),
              };
            }""";

    private final Page page;

    Keyboard(Page page) {
        this.page = page;
    }

    /** Goes on to the next control of that name, which must show that it has the focus. */
    Keyboard to(String name) {
        for (int i = 0; i < FARTHEST; i++) {
            page.keyboard().press("Tab");
            Map<?, ?> focused = (Map<?, ?>) page.evaluate(FOCUSED);
            if (focused.get("name").equals(name)) {
                assertThat(focused.get("outlined"))
                        .as("%s shows the focus", name)
                        .isEqualTo(true);
                Wait.until(name + " can be seen", () -> isSeen());
                return this;
            }
        }
        throw new AssertionError("No way to \"" + name + "\" by keys at " + page.url());
    }

    /** Where what is composed has arrived meanwhile and moved the page, one step back and forth brings it into sight. */
    private boolean isSeen() {
        boolean seen = ((Map<?, ?>) page.evaluate(FOCUSED)).get("uncovered").equals(true);
        if (!seen) {
            page.keyboard().press("Shift+Tab");
            page.keyboard().press("Tab");
        }
        return seen;
    }

    void press(String key) {
        page.keyboard().press(key);
    }

    void enter(String name) {
        to(name).press("Enter");
    }

    void type(String name, String text) {
        to(name).press("Control+a");
        page.keyboard().type(text);
    }
}
