package mailshelf.server.delivery;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import mailshelf.core.data.Slice;
import mailshelf.core.report.Definition;
import mailshelf.core.report.Evaluation;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.Window;
import mailshelf.core.wording.Words;
import mailshelf.render.paper.Document;
import mailshelf.render.pdf.ReportPdf;
import mailshelf.render.picture.PagePicture;
import mailshelf.server.http.Languages;
import org.springframework.stereotype.Component;

/** Makes an edition: evaluates the chosen pages at a moment and sets them on paper. */
@Component
public class MakeEdition {
    /**
     * What it is made from.
     *
     * @param slice the rows that it may show
     * @param at the moment that moving periods are counted from
     * @param madeAt what the files are stamped with
     * @param number empty for a trial
     */
    public record Order(
            Terms terms,
            Definition definition,
            Slice slice,
            PageModel.Freshness freshness,
            Instant at,
            Instant madeAt,
            Optional<Integer> number) {}

    public List<PageModel> evaluate(Order order) {
        Terms terms = order.terms();
        Evaluation.Question question = Evaluation.Question.of(
                terms.period(), terms.sendDay(order.at()), terms.firstDayOfWeek(), terms.filters(), order.freshness());
        Definition definition = order.definition().answered(terms.filters());
        return definition.pages().stream()
                .filter(page -> terms.pages().contains(page.id()))
                .map(page -> Evaluation.page(definition, page, order.slice(), question))
                .toList();
    }

    /** In words alone, before any file is made. */
    public Edition written(Order order, List<PageModel> models) {
        Terms terms = order.terms();
        Words words = Words.in(Languages.supported(terms.locale()));
        List<Written.Page> pages = models.stream()
                .map(model -> Writing.page(model, words, terms.schedule().zone()))
                .toList();
        return new Edition(models, pages, running(order, words), Optional.empty(), Optional.empty(), words);
    }

    public Edition withFiles(Order order, List<PageModel> models) {
        Edition written = written(order, models);
        // to the minute, so that a preview and the trial after it are the same bytes
        Instant stamp = order.madeAt().truncatedTo(ChronoUnit.MINUTES);
        Optional<byte[]> pdf = order.terms().output().pdf()
                ? Optional.of(ReportPdf.of(written.pages(), written.running(), written.words(), stamp))
                : Optional.empty();
        Optional<byte[]> picture = order.terms().output().picture()
                ? Optional.of(PagePicture.of(written.pages().get(0), written.words()))
                : Optional.empty();
        return new Edition(models, written.pages(), written.running(), pdf, picture, written.words());
    }

    private static Document.Running running(Order order, Words words) {
        Terms terms = order.terms();
        var dates = words.dates(terms.schedule().zone());
        Window window = terms.windowAt(order.at());
        String number = order.number().map(n -> words.say("issue.number", n)).orElseGet(() -> words.say("issue.trial"));
        return new Document.Running(
                terms.name(),
                number + " · " + dates.fullWindow(window),
                words.say("paper.made", dates.fullMoment(order.madeAt())));
    }
}
