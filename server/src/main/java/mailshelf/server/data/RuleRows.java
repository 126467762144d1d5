package mailshelf.server.data;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.RowRule;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Viewer;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;

/** Sets who may see which rows of a data set, and says what that comes to for one person. */
@Component
class RuleRows {
    private static final int MOST_TOLD = 20;

    private final Gate gate;
    private final Database database;
    private final Durable durable;
    private final DataSetStore dataSets;
    private final PersonStore people;
    private final Tables tables;
    private final Viewers viewers;
    private final AuditTrail audit;

    /** @param ownerView whether issues may show all what their owner may see */
    record RowRulesWish(List<RowRule> rules, boolean ownerView) {}

    /**
     * What a rule gives a person.
     *
     * @param all every value; {@code values} is empty then
     */
    record Given(String column, boolean all, List<String> values) {}

    /** How many of the rows somebody may see, and by which values. */
    record Sight(long rows, long of, List<Given> given) {}

    /**
     * How a rule fits its data: what is told is cut after a few.
     *
     * @param unknownValues values of the mapping table that no row has
     * @param unknownNames names in it that are nobody's address and no group's name
     */
    record Fit(String column, List<String> unknownValues, List<String> unknownNames) {}

    RuleRows(
            Gate gate,
            Database database,
            Durable durable,
            DataSetStore dataSets,
            PersonStore people,
            Tables tables,
            Viewers viewers,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.durable = durable;
        this.dataSets = dataSets;
        this.people = people;
        this.tables = tables;
        this.viewers = viewers;
        this.audit = audit;
    }

    void put(Person who, DataSetId id, RowRulesWish wish) {
        database.doInTransaction(tx -> {
            DataSet dataSet = gate.publishable(tx, who, id);
            requireRules(tx, who, dataSet, wish.rules());
            String before = said(tx, dataSet);
            dataSets.rule(tx, id, wish.rules(), wish.ownerView());
            DataSet after = dataSets.find(tx, id).orElseThrow();
            Thing thing = Thing.of(Thing.Kind.DATA_SET, id, dataSet.name());
            audit.keep(tx, who, Act.ROW_RULES_CHANGED, thing, before, said(tx, after));
        });
        durable.await();
    }

    /** A rule that names a column that is not there would hide every row from everybody, or none. */
    private void requireRules(Tx tx, Person who, DataSet dataSet, List<RowRule> rules) {
        Set<String> ruled = new HashSet<>();
        for (RowRule rule : rules) {
            requireText(dataSet, rule.column());
            if (!ruled.add(rule.column())) {
                throw Problem.invalid("data.rule-twice", rule.column());
            }
            if (rule.mapping().equals(dataSet.id())) {
                throw Problem.invalid("data.rule-by-itself", dataSet.name());
            }
            DataSet mapping = gate.publishable(tx, who, rule.mapping());
            requireText(mapping, rule.who());
            requireText(mapping, rule.values());
        }
    }

    private static void requireText(DataSet dataSet, String column) {
        boolean isText = dataSet.columns().stream()
                .anyMatch(each -> each.name().equals(column) && each.type() == ColumnType.TEXT);
        if (!isText) {
            throw Problem.invalid(
                    "data.no-text-column",
                    column,
                    dataSet.name(),
                    dataSet.columns().stream()
                            .filter(each -> each.type() == ColumnType.TEXT)
                            .map(Column::name)
                            .collect(Collectors.joining(", ")));
        }
    }

    /** As the audit trail keeps it. */
    private String said(Tx tx, DataSet dataSet) {
        String rules = dataSets.rowRules(tx, dataSet.id()).stream()
                .map(rule -> rule.column() + " by "
                        + dataSets.find(tx, rule.mapping()).orElseThrow().name() + " (" + rule.who() + ", "
                        + rule.values() + ")")
                .collect(Collectors.joining("; "));
        String ownerView = dataSet.ownerView() ? "" : "; never as the owner sees it";
        return rules.isEmpty() ? "" : rules + ownerView;
    }

    Sight sight(Person who, DataSetId id, PersonId whose) {
        record Found(DataSet dataSet, Viewer viewer, List<RowRule> rules) {}
        Found found = database.inTransaction(tx -> {
            DataSet dataSet = gate.mindable(tx, who, id);
            Person person = people.find(tx, whose).orElseThrow(Problem::notFound);
            return new Found(dataSet, viewers.of(tx, person, dataSet), dataSets.rowRules(tx, id));
        });
        Tables.Loaded loaded = tables.newest(found.dataSet());
        Slice slice = loaded.seenBy(found.viewer());
        return new Sight(
                slice.table().rows(),
                loaded.slicing().table().rows(),
                found.rules().stream().map(rule -> given(rule, found.viewer())).toList());
    }

    private static Given given(RowRule rule, Viewer viewer) {
        Optional<List<String>> values = viewer.allowed().stream()
                .filter(allowed -> allowed.column().equals(rule.column()))
                .map(allowed -> allowed.values())
                .findFirst();
        return new Given(rule.column(), values.isEmpty(), values.orElse(List.of()));
    }

    /** @param dataSet one that the asker may mind */
    List<Fit> fits(Tx tx, DataSet dataSet, Optional<Tables.Loaded> loaded) {
        Set<String> known = new HashSet<>();
        people.all(tx).forEach(person -> known.add(person.address()));
        people.groups(tx).forEach(group -> known.add(group.name().toLowerCase(Locale.ROOT)));
        List<Fit> fits = new ArrayList<>();
        for (Viewers.InForce each : viewers.inForce(tx, dataSet)) {
            if (each.mapping().isPresent() && loaded.isPresent()) {
                Set<String> values = new HashSet<>(each.mapping().get().values());
                loaded.get().slicing().table().values(each.rule().column()).forEach(values::remove);
                Set<String> names = new HashSet<>(each.mapping().get().names());
                names.removeAll(known);
                fits.add(new Fit(each.rule().column(), few(values), few(names)));
            }
        }
        return fits;
    }

    private static List<String> few(Set<String> some) {
        return some.stream().sorted().limit(MOST_TOLD).toList();
    }
}
