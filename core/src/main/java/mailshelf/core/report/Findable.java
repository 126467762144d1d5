package mailshelf.core.report;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import mailshelf.core.wording.Folded;

/**
 * What a report is found by. Each word of a question must begin a word of it, whatever its case and accents; what is
 * found in the title goes before what is found in a column's name.
 */
public final class Findable {
    private static final int TITLE = 100;
    private static final int ABOUT = 10;
    private static final int OPENS_TITLE = 60;
    private static final int WHOLE_WORD = 5;

    private final List<Field> fields = new ArrayList<>();

    /** Where a word was found: what counts for it, and the text to tell it by. */
    private record Field(int weight, String text, List<String> words) {}

    /** @param folders names of its folder and those above it */
    public Findable(Definition definition, List<String> folders) {
        add(TITLE, List.of(definition.title()));
        add(60, definition.tags());
        add(40, folders);
        add(30, definition.pages().stream().map(Definition.Page::title).toList());
        add(20, shown(definition));
        add(ABOUT, List.of(definition.about()));
    }

    /** Columns and measures that its pages show: its data have more, and many reports may be of the same. */
    private static Set<String> shown(Definition definition) {
        Set<String> shown = new LinkedHashSet<>();
        definition.filters().forEach(column -> shown.add(definition.columnTitle(column)));
        for (Definition.Page page : definition.pages()) {
            for (Block block : page.blocks()) {
                if (block instanceof Block.RowTable rows) {
                    rows.columns().forEach(column -> shown.add(definition.columnTitle(column)));
                } else if (block instanceof Block.GroupTable groups) {
                    groups.by().forEach(column -> shown.add(definition.columnTitle(column)));
                    groups.measures()
                            .forEach(measure -> shown.add(measure.measure().title()));
                } else {
                    shown.add(block.title());
                }
            }
        }
        return shown;
    }

    private void add(int weight, Collection<String> texts) {
        texts.forEach(
                text -> fields.add(new Field(weight, text, Folded.words(text).toList())));
    }

    /** The words of a question, to be asked of many. */
    public static List<String> question(String text) {
        return Folded.words(text).toList();
    }

    /** Whether each word of a question begins a word of a text. */
    public static boolean answers(List<String> question, String text) {
        List<String> words = Folded.words(text).toList();
        return question.stream().allMatch(asked -> words.stream().anyMatch(word -> word.startsWith(asked)));
    }

    /** How well it answers; empty where a word of the question begins none of its words. */
    public OptionalInt rank(List<String> question) {
        int rank = 0;
        for (String asked : question) {
            int best = fields.stream()
                    .mapToInt(field -> weight(field, asked))
                    .max()
                    .orElse(0);
            if (best == 0) {
                return OptionalInt.empty();
            }
            rank += best;
        }
        if (!question.isEmpty() && opensTitle(question)) {
            rank += OPENS_TITLE;
        }
        return OptionalInt.of(rank);
    }

    private static int weight(Field field, String asked) {
        int found = 0;
        for (String word : field.words()) {
            if (word.startsWith(asked)) {
                found = Math.max(found, field.weight() + (word.length() == asked.length() ? WHOLE_WORD : 0));
            }
        }
        return found;
    }

    private boolean opensTitle(List<String> question) {
        List<String> title = fields.get(0).words();
        for (int i = 0; i < question.size(); i++) {
            if (i >= title.size() || !title.get(i).startsWith(question.get(i))) {
                return false;
            }
        }
        return true;
    }

    /** What else than title and description a question was answered by: a tag, a page, a column. */
    public Optional<String> foundIn(List<String> question) {
        return question.stream()
                .filter(asked -> fields.stream()
                        .filter(field -> field.weight() == TITLE || field.weight() == ABOUT)
                        .noneMatch(field -> weight(field, asked) > 0))
                .findFirst()
                .flatMap(asked -> fields.stream()
                        .filter(field -> weight(field, asked) > 0)
                        .map(Field::text)
                        .findFirst());
    }
}
