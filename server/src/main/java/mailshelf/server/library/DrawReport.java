package mailshelf.server.library;

import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.Newest;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.rights.Person;
import mailshelf.core.wording.Words;
import mailshelf.render.chart.ChartSvg;
import mailshelf.server.http.Languages;
import org.springframework.stereotype.Component;

/** Draws the first chart of a report's first page small, from the figures that somebody may see. */
@Component
class DrawReport {
    private static final double WIDTH = 300;
    private static final int KEPT = 1000;

    private final ReadReport read;

    /** Whoever sees the same rows on the same day sees the same drawing. */
    private record Key(Definition definition, int load, List<Allowed> allowed, LocalDate from) {}

    private final Map<Key, Drawing> drawn = Collections.synchronizedMap(new Newest<>(KEPT));

    /** @param chart empty where the page has none, or asks something first */
    record Drawing(Optional<ChartSvg> chart) {}

    DrawReport(ReadReport read) {
        this.read = read;
    }

    Drawing run(Person who, ReportId id) {
        ReadReport.Asked page = read.asked(who, id, new ReadReport.Wish("", Optional.empty(), Map.of(), WIDTH));
        if (!page.open().isEmpty()) {
            return new Drawing(Optional.empty());
        }
        Key key = new Key(
                page.definition(),
                page.question().freshness().load(),
                page.slice().allowed(),
                page.question().window().fromInclusive());
        Drawing known = drawn.get(key);
        if (known != null) {
            return known;
        }
        Written.Page written = Writing.page(page.model(), Words.in(Languages.supported(who.locale())), who.zone());
        Drawing drawing = new Drawing(written.charts().stream().findFirst().map(chart -> ChartSvg.of(chart, WIDTH)));
        drawn.put(key, drawing);
        return drawing;
    }
}
