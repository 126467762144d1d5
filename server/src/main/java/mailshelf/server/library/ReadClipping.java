package mailshelf.server.library;

import java.util.List;
import java.util.Optional;
import mailshelf.core.data.Viewer;
import mailshelf.core.report.Clip;
import mailshelf.core.report.ClippingId;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.wording.Words;
import mailshelf.server.data.Viewers;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.library.KeptClipping;
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
    private final FollowClippings follow;
    private final ReadReport read;

    /**
     * A block out of a report.
     *
     * @param title of the report; "" where that may not be seen any more
     * @param shown the block as a page of its own; empty where it is not there any more
     * @param gone why it is not; "" where it is
     */
    record ClipView(Clip clip, String title, Optional<ReadReport.PageView> shown, String gone) {}

    /**
     * A page of somebody's own.
     *
     * @param followers subscriptions that send it, and change with it
     * @param maySubscribe whether he may subscribe to all that it shows
     */
    record ClippingView(
            ClippingId id,
            String name,
            int version,
            List<ClipView> clips,
            List<KeepCuts.FollowerView> followers,
            boolean maySubscribe) {}

    ReadClipping(
            KeepClippings keep,
            Gate gate,
            Database database,
            ReportStore reports,
            Definitions definitions,
            Viewers viewers,
            FollowClippings follow,
            ReadReport read) {
        this.keep = keep;
        this.gate = gate;
        this.database = database;
        this.reports = reports;
        this.definitions = definitions;
        this.viewers = viewers;
        this.follow = follow;
        this.read = read;
    }

    /** A clip with what its report is at this moment; empty where that may not be seen. */
    private record Found(Clip clip, Optional<Source> source) {}

    private record Source(Definitions.Published published, Viewer viewer) {}

    ClippingView run(Person who, ClippingId id, double chartWidth) {
        record Read(
                KeptClipping clipping,
                List<Found> found,
                List<KeepCuts.FollowerView> followers,
                boolean maySubscribe) {}
        Read read = database.inTransaction(tx -> {
            KeptClipping clipping = keep.own(tx, who, id);
            Gate.Access access = gate.access(tx, who);
            return new Read(
                    clipping,
                    clipping.clips().stream()
                            .map(clip -> new Found(clip, source(tx, who, access, clip)))
                            .toList(),
                    follow.followers(tx, id).stream()
                            .map(each -> new KeepCuts.FollowerView(
                                    each.id(), each.terms().name(), who.name()))
                            .toList(),
                    maySubscribe(tx, access, clipping));
        });
        return new ClippingView(
                id,
                read.clipping().name(),
                read.clipping().version(),
                read.found().stream().map(found -> view(who, found, chartWidth)).toList(),
                read.followers(),
                read.maySubscribe());
    }

    /** To what of it he may see. */
    private boolean maySubscribe(Tx tx, Gate.Access access, KeptClipping clipping) {
        List<ReportId> seen = clipping.clips().stream()
                .map(Clip::report)
                .filter(report -> gate.may(tx, access, Verb.SEE, List.of(report)))
                .toList();
        return !seen.isEmpty() && gate.may(tx, access, Verb.SUBSCRIBE_SELF, seen);
    }

    private Optional<Source> source(Tx tx, Person who, Gate.Access access, Clip clip) {
        return reports.find(tx, clip.report())
                .filter(report -> !report.removed())
                .filter(report -> access.may(Verb.SEE, report.folder()))
                .map(report -> {
                    Definitions.Published published = definitions.newest(tx, report);
                    return new Source(published, viewers.of(tx, who, published.dataSet()));
                });
    }

    private ClipView view(Person who, Found found, double chartWidth) {
        Clip clip = found.clip();
        Words words = Words.in(Languages.supported(who.locale()));
        if (found.source().isEmpty()) {
            return new ClipView(clip, "", Optional.empty(), words.say("clipping.not-yours"));
        }
        Source source = found.source().get();
        Definition definition = source.published().definition();
        if (clip.in(definition).isEmpty()) {
            return new ClipView(clip, definition.title(), Optional.empty(), words.say("clipping.gone"));
        }
        ReadReport.Asked asked =
                read.asked(who, source.published(), source.viewer(), clip.page(), clip.period(), clip.filters());
        Definition.Page block = clip.in(asked.definition()).orElseThrow();
        return new ClipView(clip, definition.title(), Optional.of(read.view(who, asked.of(block), chartWidth)), "");
    }
}
