package mailshelf.render.chart;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import mailshelf.core.report.Ferries;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import org.junit.jupiter.api.Test;

class ChartSvgTest {
    private final List<Written.Chart> charts = Writing.page(
                    Ferries.page(1, "last-week", List.of()), Words.in(Locale.ENGLISH), ZoneId.of("UTC"))
            .charts();

    @Test
    void every_category_has_a_mark_with_its_exact_values_inside_the_drawing() {
        ChartSvg drawn = ChartSvg.of(charts.get(0), 608);

        assertThat(drawn.marks()).hasSize(26).allSatisfy(mark -> {
            assertThat(mark.x()).isBetween(0.0, 608.0);
            assertThat(mark.x() + mark.width()).isLessThanOrEqualTo(608.0);
        });
        Written.Series first = charts.get(0).series().get(0);
        assertThat(drawn.marks().get(25).label())
                .startsWith("16 Nov: " + first.name() + " " + first.written().get(25));
    }

    @Test
    void the_last_values_stand_in_the_drawing_as_text() {
        ChartSvg drawn = ChartSvg.of(charts.get(1), 608);

        assertThat(drawn.svg())
                .contains(">" + charts.get(1).series().get(0).written().get(11) + "</text>");
        assertThat(drawn.svg()).startsWith("<svg").endsWith("</svg>").doesNotContain("style=");
    }
}
