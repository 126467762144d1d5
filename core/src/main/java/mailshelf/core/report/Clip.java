package mailshelf.core.report;

import java.util.List;
import java.util.Optional;
import mailshelf.core.data.Filter;
import mailshelf.core.time.Period;

/**
 * One block out of a report, for the period and narrowed as it was when it was clipped; its figures are always new.
 *
 * @param page the id of the page that it stands on
 * @param block its id there
 */
public record Clip(ReportId report, String page, String block, Period period, List<Filter> filters) {
    public Clip {
        filters = List.copyOf(filters);
    }

    /** The block, as a page of its own; empty where the report has it no more, or does not take its filters. */
    public Optional<Definition.Page> in(Definition definition) {
        return definition
                .page(page)
                .filter(whole -> filters.stream().allMatch(definition::takes)
                        && definition.unanswered(filters).isEmpty())
                .flatMap(whole -> whole.blocks().stream()
                        .filter(each -> each.id().equals(block))
                        .findFirst()
                        .map(found -> new Definition.Page(whole.id(), whole.title(), List.of(found))));
    }
}
