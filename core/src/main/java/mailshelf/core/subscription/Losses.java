package mailshelf.core.subscription;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import mailshelf.core.letter.LetterPattern;
import mailshelf.core.report.Block;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;

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
        /** A key figure that the subject or text of its mails repeats. */
        LETTER,
        FILTER,
        /** A question that is asked now, and that nobody has answered. */
        ANSWER
    }

    /** @param name as readers know it */
    public record Loss(Kind kind, String name) {}

    public Losses {
        lost = List.copyOf(lost);
    }

    /** @param report the one that is defined anew */
    public static Losses of(Terms terms, ReportId report, Definition before, Definition after) {
        return new Losses(terms.of(report).stream()
                .flatMap(content -> Stream.concat(
                        of(content, before, after).stream(), ofLetter(terms.letterPattern(), content, before, after)))
                .distinct()
                .toList());
    }

    /** Letters know key figures by what they are called, also where that changes alone. */
    private static Stream<Loss> ofLetter(LetterPattern letter, Content content, Definition before, Definition after) {
        Set<String> left = content.figuresIn(after);
        return content.figuresIn(before).stream()
                .filter(title -> letter.figures().contains(title) && !left.contains(title))
                .map(title -> new Loss(Kind.LETTER, title));
    }

    private static List<Loss> of(Content content, Definition before, Definition after) {
        List<Loss> lost = new ArrayList<>();
        for (Definition.Page page : content.pagesIn(before)) {
            Optional<Definition.Page> now = after.page(page.id());
            if (now.isEmpty()) {
                lost.add(new Loss(Kind.PAGE, page.title()));
            }
            now.ifPresent(left -> lost.addAll(of(page, left, before, after)));
        }
        content.filters().stream()
                .filter(filter -> !after.takes(filter))
                .map(filter -> new Loss(Kind.FILTER, before.named(filter).column()))
                .forEach(lost::add);
        after.unanswered(content.filters()).stream()
                .filter(question ->
                        before.questions().stream().noneMatch(was -> was.name().equals(question.name())))
                .map(question -> new Loss(Kind.ANSWER, question.ask()))
                .forEach(lost::add);
        return lost;
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

    /**
     * Whether it cannot go on as its owner wants it.
     *
     * @param left what is left of the terms
     */
    public boolean hasToPause(Terms left) {
        return lost.stream().anyMatch(loss -> loss.kind() == Kind.FILTER || loss.kind() == Kind.ANSWER)
                || left.content().isEmpty();
    }
}
