package mailshelf.core.subscription;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import mailshelf.core.report.Block;
import mailshelf.core.report.Definition;

/**
 * What a subscription loses when its report is published anew. Pages that go are left out from then on; where none stays,
 * or a filter goes, without which more would be sent than is wanted, it has to pause.
 *
 * @param lost in the order of the report
 */
public record Losses(List<Loss> lost) {
    /** What sort of thing is lost. */
    public enum Kind {
        PAGE,
        BLOCK,
        COLUMN,
        FILTER,
        /** A question that is asked now, and that nobody has answered. */
        ANSWER
    }

    /** @param name as readers know it */
    public record Loss(Kind kind, String name) {}

    public Losses {
        lost = List.copyOf(lost);
    }

    public static Losses of(Terms terms, Definition before, Definition after) {
        List<Loss> lost = new ArrayList<>();
        for (Definition.Page page : before.pages()) {
            if (terms.pages().contains(page.id())) {
                Optional<Definition.Page> now = after.page(page.id());
                if (now.isEmpty()) {
                    lost.add(new Loss(Kind.PAGE, page.title()));
                }
                now.ifPresent(left -> lost.addAll(of(page, left, before, after)));
            }
        }
        terms.filters().stream()
                .filter(filter -> !after.takes(filter))
                .map(filter -> new Loss(Kind.FILTER, before.columnTitle(filter.column())))
                .forEach(lost::add);
        after.unanswered(terms.filters()).stream()
                .filter(question ->
                        before.questions().stream().noneMatch(was -> was.name().equals(question.name())))
                .map(question -> new Loss(Kind.ANSWER, question.ask()))
                .forEach(lost::add);
        return new Losses(lost);
    }

    private static List<Loss> of(Definition.Page page, Definition.Page now, Definition before, Definition after) {
        List<Loss> lost = new ArrayList<>();
        for (Block block : page.blocks()) {
            Optional<Block> same =
                    now.blocks().stream().filter(other -> isSame(block, other)).findFirst();
            if (same.isEmpty()) {
                lost.add(new Loss(Kind.BLOCK, block.title().isEmpty() ? block.id() : block.title()));
            }
            List<String> left = same.map(other -> columns(other, after)).orElse(List.of());
            same.ifPresent(other -> columns(block, before).stream()
                    .filter(column -> !left.contains(column))
                    .map(column -> new Loss(Kind.COLUMN, column))
                    .forEach(lost::add));
        }
        return lost;
    }

    /** Ids by place say nothing; a block that moved is known by what it is called. */
    private static boolean isSame(Block before, Block after) {
        return before.getClass().equals(after.getClass())
                && (before.title().equals(after.title())
                        || (before.id().equals(after.id()) && !before.id().matches("b\\d+")));
    }

    private static List<String> columns(Block block, Definition definition) {
        if (block instanceof Block.RowTable rows) {
            return rows.columns().stream().map(definition::columnTitle).toList();
        }
        if (block instanceof Block.GroupTable grouped) {
            Stream<String> measures =
                    grouped.measures().stream().map(shown -> shown.measure().title());
            return Stream.concat(grouped.by().stream().map(definition::columnTitle), measures)
                    .toList();
        }
        return List.of();
    }

    /** Whether nothing is lost. */
    public boolean isEmpty() {
        return lost.isEmpty();
    }

    /** The pages that stay, of those that were chosen. */
    public static List<String> pagesLeft(Terms terms, Definition after) {
        return terms.pages().stream().filter(id -> after.page(id).isPresent()).toList();
    }

    /** Whether it cannot go on as its owner wants it. */
    public boolean hasToPause(Terms terms, Definition after) {
        return lost.stream().anyMatch(loss -> loss.kind() == Kind.FILTER || loss.kind() == Kind.ANSWER)
                || pagesLeft(terms, after).isEmpty();
    }
}
