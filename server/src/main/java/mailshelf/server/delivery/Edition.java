package mailshelf.server.delivery;

import java.util.List;
import java.util.Optional;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.paper.Document;

/**
 * A copy as it is made: figures, the words they are written in, and files. A preview, a trial and a regular issue are
 * made by the same code.
 *
 * @param running what stands on every sheet
 */
public record Edition(
        List<PageModel> models,
        List<Written.Page> pages,
        Document.Running running,
        Optional<byte[]> pdf,
        Optional<byte[]> picture,
        Words words) {
    /** The first figure in words, for the shelf: "Cancelled 33, 10 more than the week before, worse". */
    public String headline() {
        return pages.stream()
                .flatMap(page -> page.figures().stream())
                .findFirst()
                .map(figure -> {
                    String verdict = figure.verdictWords().isEmpty() ? "" : ", " + figure.verdictWords();
                    return figure.title() + " " + figure.value() + ", " + figure.change() + verdict;
                })
                .orElse("");
    }
}
