package mailshelf.core.report;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.time.CalendarPeriod;
import mailshelf.core.time.Period;
import mailshelf.core.time.SinceLastIssue;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Compose;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import org.snakeyaml.engine.v2.nodes.Node;

/** Reads a report's definition from YAML; the format is described in docs/report-format.md. */
public final class DefinitionReader {
    private final List<Problem.Fault> faults = new ArrayList<>();
    private final Definition.Source source;
    private final YamlCursor root;
    private final QuestionReader questions;
    private final ReaderScope scope;
    private final MeasureReader measures;
    private final BlockReader blocks;

    private DefinitionReader(Definition.Source source, Map<String, String> answers) {
        this.source = source;
        this.root = new YamlCursor(compose(source.yaml()), faults);
        this.questions = new QuestionReader(source.columns());
        questions.readAll(root);
        this.scope = new ReaderScope(source.columns(), questions.given(answers));
        this.measures = new MeasureReader(scope);
        this.blocks = new BlockReader(scope, measures);
    }

    /** Name of the data set that a definition is over, before its columns are known. */
    public static String dataSetOf(String yaml) {
        List<Problem.Fault> faults = new ArrayList<>();
        String name = new YamlCursor(compose(yaml), faults).text("data");
        throwIfAny(faults);
        return name;
    }

    /**
     * @param columns those of the data set that the definition names
     * @throws Problem {@code report.not-readable} with line and column of each fault
     */
    public static Definition read(String yaml, List<Column> columns) {
        return read(new Definition.Source(yaml, columns), Map.of());
    }

    /** @param answers to its questions, by their names */
    static Definition read(Definition.Source source, Map<String, String> answers) {
        DefinitionReader reader = new DefinitionReader(source, answers);
        Definition definition = reader.definition();
        throwIfAny(reader.faults);
        return definition;
    }

    private static Node compose(String yaml) {
        try {
            YamlBounds.require(yaml);
            return new Compose(LoadSettings.builder().build())
                    .composeString(yaml)
                    .orElseThrow(() -> new YamlEngineException("the text is empty"));
        } catch (MarkedYamlEngineException e) {
            throw unreadable(YamlFaults.of(yaml, e));
        } catch (YamlEngineException e) {
            throw unreadable(List.of(new Problem.Fault("line 1, column 1", e.getMessage())));
        } catch (YamlBounds.Exceeded e) {
            throw unreadable(List.of(e.fault()));
        }
    }

    private static void throwIfAny(List<Problem.Fault> faults) {
        if (!faults.isEmpty()) {
            throw unreadable(faults);
        }
    }

    private static Problem unreadable(List<Problem.Fault> faults) {
        Problem.Fault first = faults.get(0);
        return new Problem(Problem.Kind.INVALID, "report.not-readable", faults, first.field() + ": " + first.message());
    }

    private Definition definition() {
        String title = root.name("report");
        String about = root.text("about");
        Definition.Kind kind = kind();
        Period period = period();
        String data = root.text("data");
        List<String> tags = root.texts("tags");
        root.mapping("compute").ifPresent(scope::readComputed);
        List<String> filters = root.texts("filters");
        filters.forEach(filter -> scope.require(root, "filters", filter, ColumnType.TEXT));
        List<String> rows = rows();
        Map<String, String> titles = new HashMap<>();
        root.mapping("columns").ifPresent(names -> {
            for (String column : names.keys()) {
                scope.require(names, column, column, null);
                titles.put(column, names.name(column));
            }
        });
        root.mapping("measures").ifPresent(measures::readAll);
        List<Definition.Page> pages = new ArrayList<>();
        for (YamlCursor page : root.mappings("pages")) {
            Definition.Page read = page(page, pages.size() + 1);
            requireNew(page, "page", pages.stream().map(Definition.Page::id), read.id());
            pages.add(read);
        }
        if (pages.isEmpty()) {
            root.fault("pages", "a report needs at least one page under \"pages\"");
        }
        root.rejectUnknown();
        return new Definition(
                title,
                about,
                kind,
                period,
                data,
                tags,
                questions.all(),
                filters,
                rows,
                scope.columns(),
                scope.computed(),
                titles,
                measures.all(),
                pages,
                source);
    }

    private Definition.Kind kind() {
        String kind = root.optionalText("kind").orElse("report");
        if (!Set.of("report", "dashboard").contains(kind)) {
            root.fault("kind", "\"kind\" is report or dashboard");
        }
        return kind.equals("dashboard") ? Definition.Kind.DASHBOARD : Definition.Kind.REPORT;
    }

    private Period period() {
        return root.optionalText("period")
                .map(code -> Period.parse(code)
                        .filter(read -> !(read instanceof SinceLastIssue))
                        .orElseGet(() -> {
                            root.fault(
                                    "period",
                                    "\"period\" is one like yesterday, last-week, last-4-weeks or this-month");
                            return CalendarPeriod.LAST_WEEK;
                        }))
                .orElse(CalendarPeriod.LAST_WEEK);
    }

    /** Without any said, all of them; "none" shows no rows at all. */
    private List<String> rows() {
        if (!root.has("rows")) {
            return scope.columns().stream().map(Column::name).toList();
        }
        if (root.hasText("rows")) {
            if (!root.text("rows").equals("none")) {
                root.fault("rows", "\"rows\" must be a list of columns, or none");
            }
            return List.of();
        }
        List<String> rows = root.texts("rows");
        rows.forEach(column -> scope.require(root, "rows", column, null));
        return rows;
    }

    private Definition.Page page(YamlCursor in, int number) {
        String title = in.name("page");
        String id = in.optionalText("id").orElse("p" + number);
        List<Block> found = new ArrayList<>();
        for (YamlCursor block : in.mappings("blocks")) {
            blocks.read(block, "b" + (found.size() + 1)).ifPresent(read -> {
                requireNew(block, "id", found.stream().map(Block::id), read.id());
                found.add(read);
            });
        }
        if (found.isEmpty()) {
            in.fault("blocks", "page \"" + title + "\" needs at least one block");
        }
        in.rejectUnknown();
        return new Definition.Page(id, title, found);
    }

    /** Subscriptions and addresses name pages and blocks by their ids. */
    private static void requireNew(YamlCursor in, String key, Stream<String> before, String id) {
        if (before.anyMatch(id::equals)) {
            in.fault(key, "there is another with the id \"" + id + "\" before it");
        }
    }
}
