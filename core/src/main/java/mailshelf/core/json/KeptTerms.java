package mailshelf.core.json;

import java.time.DayOfWeek;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import mailshelf.core.condition.FreshData;
import mailshelf.core.data.Filter;
import mailshelf.core.letter.LetterPattern;
import mailshelf.core.report.ClippingId;
import mailshelf.core.report.CutId;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.Output;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.Period;
import mailshelf.core.time.Schedule;

/**
 * Terms as they are kept.
 *
 * @param report with {@code pages} to {@code filters} where {@code content} is null: of before it could be of several reports
 */
public record KeptTerms(
        String name,
        ReportId report,
        List<String> pages,
        Optional<CutId> follows,
        Period period,
        List<Filter> filters,
        List<Content> content,
        Optional<ClippingId> clipping,
        DayOfWeek firstDayOfWeek,
        SeenAs seenAs,
        List<PersonId> recipients,
        Output output,
        Schedule schedule,
        Optional<FreshData> freshData,
        Optional<LetterPattern> letter,
        Locale locale) {
    /** The terms that a text is of. */
    public static Terms read(String json) {
        KeptTerms kept = CoreJson.read(json, KeptTerms.class);
        List<Content> content = kept.content == null
                ? List.of(new Content(kept.report, kept.pages, List.of(), kept.follows, kept.period, kept.filters))
                : kept.content;
        return new Terms(
                kept.name,
                content,
                kept.clipping,
                kept.firstDayOfWeek,
                kept.seenAs,
                kept.recipients,
                kept.output,
                kept.schedule,
                kept.freshData,
                kept.letter,
                kept.locale);
    }
}
