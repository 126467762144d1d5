package mailshelf.core.report;

import java.util.Collection;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.data.Column;
import mailshelf.core.data.Computed;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Newest;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Table;
import mailshelf.core.time.Period;

/**
 * A report as its publisher wrote it, checked against the columns of its data set.
 *
 * @param about the question that it answers, one sentence
 * @param kind how it is meant to be looked at
 * @param period what it shows where nothing else is asked for
 * @param dataSet name of the data set
 * @param questions what has to be said before it shows anything, each after the one that it is within
 * @param filters the text columns that readers are offered first to narrow by, in order
 * @param rows the columns of the rows behind a figure, in order; none where they are not shown
 * @param columns those of its data set, then those computed
 * @param computed columns besides those of the data set, each from those before it
 * @param columnTitles how columns are called on pages, where their names do not do
 * @param measures by the names that blocks and filters know them by
 * @param source what it was read from
 */
public record Definition(
        String title,
        String about,
        Kind kind,
        Period period,
        String dataSet,
        List<String> tags,
        List<ReportQuestion> questions,
        List<String> filters,
        List<String> rows,
        List<Column> columns,
        List<Computed> computed,
        Map<String, String> columnTitles,
        Map<String, Measure> measures,
        List<Page> pages,
        Source source) {
    private static final int ANSWERED_KEPT = 100;

    /** Reading takes a millisecond or two, and one who reads asks for many things of the same answers. */
    private static final Map<Answered, Definition> ANSWERED = Collections.synchronizedMap(new Newest<>(ANSWERED_KEPT));

    public Definition {
        tags = List.copyOf(tags);
        questions = List.copyOf(questions);
        filters = List.copyOf(filters);
        rows = List.copyOf(rows);
        columns = List.copyOf(columns);
        computed = List.copyOf(computed);
        columnTitles = Map.copyOf(columnTitles);
        measures = Map.copyOf(measures);
        pages = List.copyOf(pages);
    }

    /** How a report is meant to be looked at. */
    public enum Kind {
        /** Pages to be read. */
        REPORT,
        /** For a glance. */
        DASHBOARD
    }

    /** The named values that stand in its texts. */
    public Set<String> namedValues() {
        return pages.stream()
                .flatMap(page -> page.namedValues().stream())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** A text, and the columns of the data set that it is over. */
    record Source(String yaml, List<Column> columns) {}

    private record Answered(Source source, Map<String, String> answers) {}

    /** A page: its name, unique in the report, and its blocks in reading order. */
    public record Page(String id, String title, List<Block> blocks) {
        public Page {
            blocks = List.copyOf(blocks);
        }

        /** The named values that stand in its texts. */
        public Set<String> namedValues() {
            return blocks.stream()
                    .filter(Block.Text.class::isInstance)
                    .flatMap(block -> ((Block.Text) block).named().stream())
                    .collect(Collectors.toCollection(TreeSet::new));
        }
    }

    /** The rows of a slice, with the columns that the report computes. */
    public Table over(Slice slice) {
        return slice.table().with(computed);
    }

    public Optional<Column> column(String name) {
        return columns.stream().filter(column -> column.name().equals(name)).findFirst();
    }

    /** The columns that readers may narrow by: those offered first, then the others that they may see. */
    public List<Column> narrowable() {
        Stream<String> asked = questions.stream()
                .filter(question -> question.kind() == ReportQuestion.Kind.COLUMN)
                .map(ReportQuestion::name);
        return Stream.of(asked, filters.stream(), rows.stream())
                .flatMap(names -> names)
                .distinct()
                .flatMap(name -> column(name).stream())
                .toList();
    }

    /** As it computes with the answers that are among some filters. */
    public Definition answered(List<Filter> filters) {
        Map<String, String> answers = new Answers(questions, filters).given();
        return answers.isEmpty()
                ? this
                : ANSWERED.computeIfAbsent(
                        new Answered(source, answers), asked -> DefinitionReader.read(asked.source(), asked.answers()));
    }

    /** Those of its questions that some filters leave without an answer that goes with the others. */
    public List<ReportQuestion> unanswered(List<Filter> filters) {
        return new Answers(questions, filters).open();
    }

    /** The same filters with all that counts as answered, said or not. */
    List<Filter> withPresets(List<Filter> filters) {
        return new Answers(questions, filters).withPresets(filters);
    }

    /** Whether readers may narrow by it, and it makes sense. */
    public boolean takes(Filter filter) {
        if (filter.test() == Filter.Test.ANSWER) {
            return question(filter.column())
                    .filter(question -> question.mayBe(filter.values().get(0)))
                    .isPresent();
        }
        return narrowable().stream()
                .anyMatch(column -> column.name().equals(filter.column())
                        && filter.fits(column)
                        && (filter.test() != Filter.Test.TOP
                                || measures.containsKey(filter.values().get(1))));
    }

    /**
     * The same with column and measure called as readers know them; by their names where the report has lost them since the
     * filter was chosen.
     */
    public Filter named(Filter filter) {
        List<String> values = filter.test() == Filter.Test.TOP
                ? List.of(filter.values().get(0), measureTitle(filter.values().get(1)))
                : filter.values();
        String column = filter.test() == Filter.Test.ANSWER
                ? question(filter.column()).map(ReportQuestion::ask).orElse(filter.column())
                : columnTitle(filter.column());
        return new Filter(column, filter.test(), values);
    }

    private String measureTitle(String name) {
        return Optional.ofNullable(measures.get(name)).map(Measure::title).orElse(name);
    }

    private Optional<ReportQuestion> question(String name) {
        return questions.stream()
                .filter(question -> question.name().equals(name))
                .findFirst();
    }

    /** Some columns, and those that are computed from them. */
    public Set<String> derivedFrom(Collection<String> some) {
        Set<String> derived = new HashSet<>(some);
        computed.stream()
                .filter(each -> each.uses().stream().anyMatch(derived::contains))
                .forEach(each -> derived.add(each.column().name()));
        return derived;
    }

    /** How a column is called on pages: where nothing is said, by its name, which begins as titles do. */
    public String columnTitle(String column) {
        String said = columnTitles.get(column);
        return said != null ? said : column.substring(0, 1).toUpperCase(Locale.ROOT) + column.substring(1);
    }

    public Optional<Page> page(String id) {
        return pages.stream().filter(page -> page.id().equals(id)).findFirst();
    }
}
