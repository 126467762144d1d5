package mailshelf.server.delivery;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import mailshelf.core.data.Slice;
import mailshelf.core.named.InText;
import mailshelf.core.report.Definition;
import mailshelf.core.report.Evaluation;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.ReportId;
import mailshelf.core.report.Written;
import mailshelf.core.subscription.Content;
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
     * @param from a report each
     * @param named what the named values in their texts and in the letter come to
     * @param at the moment that moving periods are counted from
     * @param madeAt what the files are stamped with
     * @param number empty for a trial
     */
    public record Order(
            Terms terms, List<From> from, List<InText> named, Instant at, Instant madeAt, Optional<Integer> number) {
        /** Those of the named values that stand in the letter. */
        List<InText> inLetter() {
            Set<String> names = terms.letterPattern().namedValues();
            return named.stream().filter(value -> names.contains(value.name())).toList();
        }
    }

    /**
     * A report with rows of its data.
     *
     * @param slice the rows that it may show
     */
    public record From(ReportId report, Definition definition, Slice slice, PageModel.Freshness freshness) {}

    /** One for each chosen page, or for the chosen blocks of one. */
    public List<PageModel> evaluate(Order order) {
        return order.terms().content().stream()
                .flatMap(content -> order.from().stream()
                        .filter(from -> from.report().equals(content.report()))
                        .flatMap(from -> evaluate(order, content, from)))
                .toList();
    }

    private static Stream<PageModel> evaluate(Order order, Content content, From from) {
        Terms terms = order.terms();
        Evaluation.Question question = Evaluation.Question.of(
                        content.period(),
                        terms.inZone(order.at()),
                        terms.firstDayOfWeek(),
                        content.filters(),
                        from.freshness())
                .naming(order.named());
        Definition definition = from.definition().answered(content.filters());
        return content.pagesIn(definition).stream()
                .map(page -> Evaluation.page(definition, page, from.slice(), question));
    }

    /** In words alone, before any file is made. */
    public Edition written(Order order, List<PageModel> models) {
        Terms terms = order.terms();
        Words words = Words.in(Languages.supported(terms.locale()));
        List<Written.Page> pages = models.isEmpty() ? List.of() : new IssuePages(terms, models, words).all();
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
