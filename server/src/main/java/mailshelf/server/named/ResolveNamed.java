package mailshelf.server.named;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import mailshelf.core.Problem;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Seen;
import mailshelf.core.data.Table;
import mailshelf.core.data.Viewer;
import mailshelf.core.expression.BadExpression;
import mailshelf.core.named.ComesTo;
import mailshelf.core.named.Formula;
import mailshelf.core.named.InText;
import mailshelf.core.named.NamedValue;
import mailshelf.core.named.References;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Terms;
import mailshelf.server.data.Tables;
import mailshelf.server.data.Viewers;
import mailshelf.server.rights.Gate;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.named.KeptNamed;
import mailshelf.store.named.NamedStore;
import org.springframework.stereotype.Component;

/** Finds out what named values come to for somebody on a day: what is taken from data, from the rows that he may see. */
@Component
public class ResolveNamed {
    private final Gate gate;
    private final NamedStore named;
    private final DataSetStore dataSets;
    private final Tables tables;
    private final Viewers viewers;

    ResolveNamed(Gate gate, NamedStore named, DataSetStore dataSets, Tables tables, Viewers viewers) {
        this.gate = gate;
        this.named = named;
        this.dataSets = dataSets;
        this.tables = tables;
        this.viewers = viewers;
    }

    /**
     * Refuses what somebody may not use.
     *
     * @throws Problem for the name of a value in a folder that he may not see, as for one that is none
     */
    public void requireUsable(Tx tx, Person who, List<Filter> filters) {
        Set<String> names = References.in(filters);
        if (names.isEmpty()) {
            return;
        }
        Gate.Access access = gate.access(tx, who);
        for (String name : names) {
            if (named.byName(tx, name)
                    .filter(kept -> !access.may(Verb.SEE, kept.folder()))
                    .isPresent()) {
                throw Problem.invalid("named.unknown", name);
            }
        }
    }

    /** The names of those that somebody may use, in order. */
    public List<String> usable(Tx tx, Person who) {
        Gate.Access access = gate.access(tx, who);
        return named.all(tx).stream()
                .filter(kept -> access.may(Verb.SEE, kept.folder()))
                .map(kept -> kept.named().name())
                .toList();
    }

    /**
     * Filters that hold values and no names.
     *
     * @param definition of what is narrowed
     * @throws Problem where a name comes to what its column cannot be narrowed by
     */
    public List<Filter> in(Tx tx, Person who, LocalDate today, List<Filter> filters, Definition definition) {
        if (References.in(filters).isEmpty()) {
            return filters;
        }
        Map<String, Optional<ComesTo>> known = new HashMap<>();
        List<Filter> resolved = References.resolved(
                filters,
                name -> known.computeIfAbsent(
                        name, asked -> named.byName(tx, asked).map(kept -> comesTo(tx, who, today, kept.named()))));
        for (Filter filter : resolved) {
            if (!definition.takes(filter)) {
                throw Problem.invalid(
                        "named.misfit",
                        String.join(", ", References.in(filters)),
                        definition.columnTitle(filter.column()),
                        filter.values().isEmpty() ? "" : filter.values().get(0));
            }
        }
        return resolved;
    }

    /** Terms whose content is narrowed by values and no names. */
    public Terms in(Tx tx, Person who, LocalDate today, Terms terms, Map<ReportId, Definition> definitions) {
        return terms.narrowed(content -> in(tx, who, today, content.filters(), definitions.get(content.report())));
    }

    /**
     * Refuses texts with what is no named value, or one of a folder that their publisher may not see.
     *
     * @param publisher who says it to all his readers
     */
    public void requireThere(Tx tx, Person publisher, Definition definition) {
        Gate.Access access = gate.access(tx, publisher);
        for (String name : definition.namedValues()) {
            named.byName(tx, name)
                    .filter(kept -> access.may(Verb.SEE, kept.folder()))
                    .orElseThrow(() -> Problem.invalid("named.unknown", name));
        }
    }

    /** What the named values in the texts of reports and in the letter of terms come to; what cannot be had is left out. */
    public List<InText> inTexts(Tx tx, Person who, LocalDate today, Terms terms, Collection<Definition> definitions) {
        Set<String> names = names(definitions);
        names.addAll(terms.letterPattern().namedValues());
        return inTexts(tx, who, today, names);
    }

    /** The same of some names. */
    public List<InText> inTexts(Tx tx, Person who, LocalDate today, Set<String> names) {
        return names.stream()
                .flatMap(name -> named.byName(tx, name).stream())
                .flatMap(kept -> inText(tx, who, today, kept.named()).stream())
                .toList();
    }

    private Optional<InText> inText(Tx tx, Person who, LocalDate today, NamedValue value) {
        try {
            return Optional.of(value.inText(comesTo(tx, who, today, value)));
        } catch (Problem e) {
            return Optional.empty(); // a page is worth reading without it
        }
    }

    /** Those that terms are narrowed by, and that stand in their letter and the texts of their reports. */
    private static Set<String> names(Terms terms, Collection<Definition> definitions) {
        Set<String> names = names(definitions);
        names.addAll(terms.namedValues());
        return names;
    }

    private static Set<String> names(Collection<Definition> definitions) {
        return definitions.stream()
                .flatMap(definition -> definition.namedValues().stream())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** Whether they go by no named value, so that they are the same for all who see the same rows. */
    public static boolean nameNothing(Terms terms, Collection<Definition> definitions) {
        return names(terms, definitions).isEmpty();
    }

    /** What somebody sees of the data that named values are taken from. */
    public List<Seen> seen(Tx tx, Person who, Terms terms, Collection<Definition> definitions) {
        return names(terms, definitions).stream()
                .flatMap(name -> named.byName(tx, name).stream())
                .flatMap(kept -> kept.named().dataSet().stream())
                .distinct()
                .map(id -> new Seen(
                        id,
                        viewers.of(tx, who, dataSets.find(tx, id).orElseThrow()).allowed(),
                        List.of()))
                .toList();
    }

    /**
     * What one comes to.
     *
     * @throws Problem for a formula that cannot be read, or data that are not there
     */
    public ComesTo comesTo(Tx tx, Person who, LocalDate today, NamedValue value) {
        return value.comesTo(
                switch (value.kind()) {
                    case CONSTANT -> value.values();
                    case FORMULA -> formula(value, today).stream().toList();
                    case FIRST, DISTINCT -> ofColumn(tx, who, value);
                });
    }

    private static Optional<String> formula(NamedValue value, LocalDate today) {
        try {
            return Formula.value(value.formula(), today);
        } catch (BadExpression e) {
            throw Problem.invalid("named.bad-formula", e.position() + 1, e.getMessage());
        }
    }

    private List<String> ofColumn(Tx tx, Person who, NamedValue value) {
        DataSet dataSet = value.dataSet()
                .flatMap(id -> dataSets.find(tx, id))
                .orElseThrow(() -> Problem.invalid("named.no-data-set", value.name()));
        Viewer viewer = viewers.of(tx, who, dataSet);
        Table rows = dataSets.newestLoad(tx, dataSet.id())
                .map(load -> tables.of(dataSet, load).seenBy(viewer).table())
                .orElseThrow(() -> Problem.invalid("data.none-loaded", dataSet.name()));
        if (rows.find(value.column()).isEmpty()) {
            throw Problem.invalid("named.no-column", dataSet.name(), value.column());
        }
        return value.kind() == NamedValue.Kind.FIRST
                ? rows.first(value.column()).stream().toList()
                : rows.occurring(value.column());
    }

    /** The data sets by name that named values are taken from. */
    public Map<DataSetId, String> dataSets(Tx tx, Terms terms, Collection<Definition> definitions) {
        Map<DataSetId, String> names = new HashMap<>();
        names(terms, definitions).stream()
                .flatMap(name -> named.byName(tx, name).stream())
                .map(KeptNamed::named)
                .flatMap(value -> value.dataSet().stream())
                .forEach(id -> names.put(id, dataSets.find(tx, id).orElseThrow().name()));
        return names;
    }
}
