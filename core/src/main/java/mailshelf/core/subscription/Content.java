package mailshelf.core.subscription;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.data.Filter;
import mailshelf.core.report.Block;
import mailshelf.core.report.Clip;
import mailshelf.core.report.Cut;
import mailshelf.core.report.CutId;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.time.Period;
import mailshelf.core.time.SinceLastIssue;
import mailshelf.core.time.Window;

/**
 * What a subscription takes out of one report, for which period and narrowed how.
 *
 * @param pages ids of the chosen pages, in the report's order
 * @param blocks ids of the chosen blocks of its one page, which stand with others on a page of the subscription's own; none
 *     for whole pages
 * @param follows the cut whose period and filters it has, and takes anew when that changes; empty for its own
 */
public record Content(
        ReportId report,
        List<String> pages,
        List<String> blocks,
        Optional<CutId> follows,
        Period period,
        List<Filter> filters) {
    public Content {
        pages = List.copyOf(pages);
        blocks = List.copyOf(blocks);
        follows = follows == null ? Optional.empty() : follows;
        filters = List.copyOf(filters);
    }

    /** Whole pages. */
    public static Content ofPages(ReportId report, List<String> pages, Period period, List<Filter> filters) {
        return new Content(report, pages, List.of(), Optional.empty(), period, filters);
    }

    /** What was clipped, in order; blocks that lie side by side on one page are taken together. */
    public static List<Content> of(List<Clip> clips) {
        List<Content> all = new ArrayList<>();
        for (Clip clip : clips) {
            Content next = new Content(
                    clip.report(),
                    List.of(clip.page()),
                    List.of(clip.block()),
                    Optional.empty(),
                    clip.period(),
                    clip.filters());
            int last = all.size() - 1;
            if (last >= 0 && all.get(last).ofBlocks(List.of()).equals(next.ofBlocks(List.of()))) {
                Stream<String> blocks = Stream.concat(all.get(last).blocks().stream(), Stream.of(clip.block()));
                all.set(last, next.ofBlocks(blocks.distinct().toList()));
            } else {
                all.add(next);
            }
        }
        return List.copyOf(all);
    }

    private Content ofBlocks(List<String> others) {
        return new Content(report, pages, others, follows, period, filters);
    }

    /** Whether it is blocks, rather than whole pages. */
    public boolean hasBlocks() {
        return !blocks.isEmpty();
    }

    /** For the period and narrowed as a cut has it. */
    Content asIn(Cut cut) {
        return new Content(report, pages, blocks, follows, cut.period(), cut.filters());
    }

    /** With the period and the filters that it has now as its own. */
    Content withoutCut() {
        return new Content(report, pages, blocks, Optional.empty(), period, filters);
    }

    Content with(List<Filter> others) {
        return new Content(report, pages, blocks, follows, period, others);
    }

    private Content during(Period other) {
        return new Content(report, pages, blocks, follows, other, filters);
    }

    /** Where it shows what is new since the last issue, from a day on. */
    Content continuing(LocalDate from) {
        return goesOn() ? during(new SinceLastIssue(Optional.of(from))) : this;
    }

    /** Whether it shows what is new since the last issue. */
    boolean goesOn() {
        return period instanceof SinceLastIssue;
    }

    /** What is meant at a moment, in the subscription's zone. */
    public Window on(ZonedDateTime now, DayOfWeek firstDayOfWeek) {
        return period.on(now, firstDayOfWeek);
    }

    /** What of it a report has, as that is defined now; empty where nothing is left. */
    public Optional<Content> leftIn(Definition definition) {
        List<String> pagesLeft =
                pages.stream().filter(id -> definition.page(id).isPresent()).toList();
        if (!hasBlocks()) {
            return pagesLeft.isEmpty()
                    ? Optional.empty()
                    : Optional.of(new Content(report, pagesLeft, blocks, follows, period, filters));
        }
        List<String> blocksLeft = pagesIn(definition).stream()
                .flatMap(page -> page.blocks().stream())
                .map(Block::id)
                .toList();
        return blocksLeft.isEmpty() ? Optional.empty() : Optional.of(ofBlocks(blocksLeft));
    }

    /** Whether a report has all that it takes and is narrowed by. */
    public boolean fits(Definition definition) {
        return leftIn(definition).filter(this::hasAsMuch).isPresent()
                && filters.stream().allMatch(definition::takes);
    }

    private boolean hasAsMuch(Content left) {
        return left.pages().size() == pages.size() && left.blocks().size() == blocks.size();
    }

    /** The same without the pages, blocks and filters that a report has not; without any page where none is left. */
    Content fitted(Definition definition) {
        Content left =
                leftIn(definition).orElseGet(() -> new Content(report, List.of(), List.of(), follows, period, filters));
        return left.with(left.filters.stream().filter(definition::takes).toList());
    }

    /** The chosen pages as the report has them: in its order, and where blocks are chosen, with those alone in theirs. */
    public List<Definition.Page> pagesIn(Definition definition) {
        List<Definition.Page> chosen = definition.pages().stream()
                .filter(page -> pages.contains(page.id()))
                .toList();
        return hasBlocks()
                ? chosen.stream()
                        .map(this::blocksOf)
                        .filter(page -> !page.blocks().isEmpty())
                        .toList()
                : chosen;
    }

    /** The titles of the key figures that it has, each once. */
    public Set<String> figuresIn(Definition definition) {
        return pagesIn(definition).stream()
                .flatMap(page -> page.blocks().stream())
                .filter(Block.Figure.class::isInstance)
                .map(Block::title)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private Definition.Page blocksOf(Definition.Page page) {
        List<Block> chosen = blocks.stream()
                .flatMap(id -> page.blocks().stream().filter(block -> block.id().equals(id)))
                .toList();
        return new Definition.Page(page.id(), page.title(), chosen);
    }
}
