package mailshelf.core.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import mailshelf.core.data.Filter;
import mailshelf.core.json.CoreJson;
import mailshelf.core.wording.Words;
import org.junit.jupiter.api.Test;

class WritingTest {
    private static final Words ENGLISH = Words.in(Locale.ENGLISH);
    private static final ZoneId OSLO = ZoneId.of("Europe/Oslo");

    @Test
    void a_page_says_its_period_its_filters_and_how_fresh_it_is() {
        PageModel model = Ferries.page(1, "last-week", List.of(Filter.anyOf("route", List.of("1 Ness–Hovden"))));

        Written.Page page = Writing.page(model, ENGLISH, OSLO);

        assertThat(page.showing()).isEqualTo("16–22 Nov 2026, last week · 1 Ness–Hovden");
        assertThat(page.freshness()).isEqualTo("figures to 24 Nov, loaded Wed 25 Nov, 05:40");
    }

    @Test
    void a_change_is_rounded_after_it_is_taken() {
        PageModel model = Ferries.page(1, "last-4-weeks", List.of());

        Written.Figure share = Writing.page(model, ENGLISH, OSLO).figures().get(1);

        var figure = (PageModel.FigureModel) model.blocks().get(1);
        BigDecimal change =
                figure.value().orElseThrow().subtract(figure.before().orElseThrow());
        assertThat(share.change())
                .startsWith(change.abs().setScale(1, RoundingMode.HALF_UP).toPlainString())
                .endsWith("than the 4 weeks before");
        assertThat(share.verdict()).isEqualTo(change.signum() > 0 ? Written.Verdict.WORSE : Written.Verdict.BETTER);
    }

    @Test
    void a_chart_whose_last_span_is_not_over_says_how_far_it_goes() {
        assertThat(chartTitle("2026-11-02/2026-11-18")).endsWith("(the last one to 18 Nov)");
        assertThat(chartTitle("2026-11-02/2026-11-22")).doesNotContain("the last one");
    }

    /** Of a chart by the week. */
    private static String chartTitle(String period) {
        return Writing.page(Ferries.page(1, period, List.of()), ENGLISH, OSLO).charts().stream()
                .filter(Written.Chart::overTime)
                .findFirst()
                .orElseThrow()
                .title();
    }

    @Test
    void what_is_kept_as_json_comes_back_equal() {
        for (int page = 1; page <= 2; page++) {
            PageModel model = Ferries.page(page, "last-month", List.of());

            assertThat(CoreJson.read(CoreJson.canonical(model), PageModel.class))
                    .isEqualTo(model);
        }
    }
}
