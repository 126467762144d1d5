package mailshelf.server.library;

import java.util.List;
import java.util.Optional;
import mailshelf.core.data.Viewer;
import mailshelf.core.report.Clip;
import mailshelf.core.report.ClippingId;
import mailshelf.core.report.Definition;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.wording.Words;
import mailshelf.server.data.Viewers;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.library.KeptClipping;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import org.springframework.stereotype.Component;

/** Reads a clipping: each of its blocks with the figures that its owner may see now. */
@Component
class ReadClipping {
    private final KeepClippings keep;
    private final Gate gate;
    private final Database database;
    private final ReportStore reports;
    private final Definitions definitions;
    private final Viewers viewers;
    private final ReadReport read;

    /**
     * A block out of a report.
     *
     * @param title of the report; "" where that may not be seen any more
     * @param shown the block as a page of its own; empty where it is not there any more
     * @param gone why it is not; "" where it is
     */
    record ClipView(Clip clip, String title, Optional<ReadReport.PageView> shown, String gone) {}

    record ClippingView(ClippingId id, String name, int version, List<ClipView> clips) {}

    ReadClipping(
            KeepClippings keep,
            Gate gate,
            Database database,
            ReportStore reports,
            Definitions definitions,
            Viewers viewers,
            ReadReport read) {
        this.keep = keep;
        this.gate = gate;
        this.database = database;
        this.reports = reports;
        this.definitions = definitions;
        this.viewers = viewers;
        this.read = read;
    }

    ClippingView run(Person who, ClippingId id, double chartWidth) {
        KeptClipping clipping = database.inTransaction(tx -> keep.own(tx, who, id));
        return new ClippingView(
                id,
                clipping.name(),
                clipping.version(),
                clipping.clips().stream()
                        .map(clip -> view(who, clip, chartWidth))
                        .toList());
    }

    private ClipView view(Person who, Clip clip, double chartWidth) {
        Words words = Words.in(Languages.supported(who.locale()));
        record Found(Definitions.Published published, Viewer viewer) {}
        Optional<Found> found =
                database.inTransaction(tx -> readable(tx, who, clip).map(report -> {
                    Definitions.Published published = definitions.newest(tx, report);
                    return new Found(published, viewers.of(tx, who, published.dataSet()));
                }));
        if (found.isEmpty()) {
            return new ClipView(clip, "", Optional.empty(), words.say("clipping.not-yours"));
        }
        Definition definition = found.get().published().definition();
        if (clip.in(definition).isEmpty()) {
            return new ClipView(clip, definition.title(), Optional.empty(), words.say("clipping.gone"));
        }
        ReadReport.Asked asked = read.asked(
                who, found.get().published(), found.get().viewer(), clip.page(), clip.period(), clip.filters());
        Definition.Page block = clip.in(asked.definition()).orElseThrow();
        return new ClipView(clip, definition.title(), Optional.of(read.view(who, asked.of(block), chartWidth)), "");
    }

    private Optional<Report> readable(Tx tx, Person who, Clip clip) {
        return reports.find(tx, clip.report())
                .filter(report -> gate.access(tx, who).may(Verb.SEE, report.folder()));
    }
}
