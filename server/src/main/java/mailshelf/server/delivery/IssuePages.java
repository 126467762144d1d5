package mailshelf.server.delivery;

import java.util.List;
import java.util.stream.IntStream;
import mailshelf.core.report.Gathered;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.Words;

/**
 * The pages of an issue as they are read: each as its report has it, or all blocks together on one of the subscription's own.
 *
 * @param models the figures, at least one
 */
public record IssuePages(Terms terms, List<PageModel> models, Words words) {
    /** How many there are to turn. */
    public int count() {
        return isGathered() ? 1 : models.size();
    }

    private boolean isGathered() {
        return terms.standsOnOwnPage();
    }

    public String id(int place) {
        return isGathered() ? Gathered.ID : models.get(place).pageId();
    }

    public String title(int place) {
        return isGathered() ? terms.name() : models.get(place).page();
    }

    /** Of all but the first. */
    List<String> otherTitles() {
        return IntStream.range(1, count()).mapToObj(this::title).toList();
    }

    public Written.Page page(int place) {
        return isGathered()
                ? Gathered.page(terms.name(), models.stream().map(this::written).toList())
                : written(models.get(place));
    }

    private Written.Page written(PageModel model) {
        return Writing.page(model, words, terms.schedule().zone());
    }

    List<Written.Page> all() {
        return IntStream.range(0, count()).mapToObj(this::page).toList();
    }
}
