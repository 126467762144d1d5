package mailshelf.server.delivery;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mailshelf.core.letter.LetterFields;
import mailshelf.core.named.InText;
import mailshelf.core.report.FilterWords;
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

    /**
     * What letters may repeat of it.
     *
     * @param pages those whose key figures it may repeat
     * @param named what the named values in the letter come to
     */
    public LetterFields.OfCopy fields(List<Written.Page> pages, List<InText> named) {
        Map<String, String> figures = new LinkedHashMap<>();
        pages.stream()
                .flatMap(page -> page.figures().stream())
                .forEach(figure -> figures.putIfAbsent(figure.title(), figure.value()));
        FilterWords readable = new FilterWords(words, Integer.MAX_VALUE);
        return new LetterFields.OfCopy(
                words.list(models.stream().map(PageModel::report).distinct().toList()),
                title(0),
                models.stream()
                        .flatMap(model -> model.freshness().figuresTo().stream())
                        .max(Comparator.naturalOrder())
                        .map(words.dates(terms.schedule().zone())::fullDay)
                        .orElse(""),
                figures,
                named.stream().collect(Collectors.toMap(InText::name, readable::value)));
    }

    List<Written.Page> all() {
        return IntStream.range(0, count()).mapToObj(this::page).toList();
    }
}
