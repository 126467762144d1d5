package mailshelf.server.delivery;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.json.CoreJson;
import mailshelf.core.named.InText;
import mailshelf.core.report.PageModel;
import mailshelf.core.shelf.Sha256;
import mailshelf.store.archive.Part;
import mailshelf.store.shelf.Copy;
import mailshelf.store.shelf.IssueStore;
import org.springframework.stereotype.Component;

/**
 * Makes the copies of an issue, one for all who see the same rows. Each batch is in the archive before the next is made,
 * so that memory holds few of them, however many there are.
 */
@Component
class MakeCopies {
    private static final int BATCH = 48;

    private final MakeEdition makeEdition;
    private final Presses presses;
    private final Stopping stopping;
    private final FaultPoint faultPoint;

    private record Printed(MadeCopy copy, List<Part> parts) {}

    MakeCopies(MakeEdition makeEdition, Presses presses, Stopping stopping, FaultPoint faultPoint) {
        this.makeEdition = makeEdition;
        this.presses = presses;
        this.stopping = stopping;
        this.faultPoint = faultPoint;
    }

    /**
     * @param meanwhile done after each batch, since a large issue must not hold up the others
     * @return a copy for each view, in their order; empty where the server was told to stop before all were made
     */
    Optional<List<MadeCopy>> of(Commission job, IssueVolume volume, Runnable meanwhile) {
        List<MadeCopy> made = new ArrayList<>();
        List<View> views = job.views();
        for (int from = 0; from < views.size(); from += BATCH) {
            if (stopping.hasBegun()) {
                return Optional.empty();
            }
            List<View> some = views.subList(from, Math.min(views.size(), from + BATCH));
            List<Printed> batch = presses.each(some, view -> printed(job, view));
            faultPoint.behind(Arrow.EVALUATED);
            volume.add(batch.stream().flatMap(copy -> copy.parts().stream()).toList());
            batch.forEach(copy -> made.add(copy.copy()));
            meanwhile.run();
        }
        return Optional.of(made);
    }

    private Printed printed(Commission job, View view) {
        MakeEdition.Order order = job.order(view);
        List<PageModel> models = makeEdition.evaluate(order);
        boolean isEmpty = models.stream().allMatch(page -> page.rows() == 0);
        Edition edition = isEmpty ? makeEdition.written(order, models) : makeEdition.withFiles(order, models);
        List<Part> parts = new ArrayList<>();
        List<IssueStore.CopyFile> files = new ArrayList<>();
        Part figures = Part.of(Part.Kind.FIGURES, CoreJson.canonical(models));
        add(parts, files, "figures", "figures.json", figures);
        edition.pdf().ifPresent(pdf -> add(parts, files, "pdf", job.fileName("pdf"), Part.of(Part.Kind.PDF, pdf)));
        edition.picture()
                .ifPresent(png -> add(parts, files, "picture", job.fileName("png"), Part.of(Part.Kind.PICTURE, png)));
        List<InText> said = order.inLetter();
        if (!said.isEmpty()) {
            add(parts, files, "letter", "letter.json", Part.of(Part.Kind.LETTER, CoreJson.canonical(said)));
        }
        String headline = isEmpty ? "" : edition.headline();
        Copy copy = new Copy(new CopyId(0), view.seenAs(), job.slices(view), isEmpty, headline);
        String contentKey =
                Sha256.of(figures.sha256() + CoreJson.write(said) + copy.seenAs() + CoreJson.write(copy.slices()));
        return new Printed(new MadeCopy(view, copy, contentKey, files), parts);
    }

    private static void add(List<Part> parts, List<IssueStore.CopyFile> files, String role, String name, Part part) {
        parts.add(part);
        files.add(new IssueStore.CopyFile(role, name, part.sha256(), part.content().length));
    }
}
