package mailshelf.server.data;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadId;
import mailshelf.core.data.Mapping;
import mailshelf.core.data.RowRule;
import mailshelf.core.data.Viewer;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;

/** Finds out whom figures are seen as: what the row rules of a data set let people see at this moment. */
@Component
public class Viewers {
    private final DataSetStore dataSets;
    private final PersonStore people;
    private final Tables tables;
    private final ConcurrentMap<Key, Read> read = new ConcurrentHashMap<>();

    private record Key(DataSetId mapping, String who, String values) {}

    private record Read(LoadId load, Mapping mapping) {}

    /** A row rule with its mapping table; empty before that has been loaded, when it gives nothing to anybody. */
    public record InForce(RowRule rule, DataSet table, Optional<Tables.Loaded> loaded, Optional<Mapping> mapping) {}

    Viewers(DataSetStore dataSets, PersonStore people, Tables tables) {
        this.dataSets = dataSets;
        this.people = people;
        this.tables = tables;
    }

    public Viewer of(Tx tx, Person who, DataSet dataSet) {
        return of(tx, List.of(who), inForce(tx, dataSet)).get(who.id());
    }

    public Map<PersonId, Viewer> of(Tx tx, Collection<Person> some, List<InForce> rules) {
        Map<PersonId, List<String>> groups = rules.isEmpty() ? Map.of() : people.groupNames(tx, some);
        Map<PersonId, Viewer> viewers = new HashMap<>();
        for (Person person : some) {
            List<String> names = new ArrayList<>(groups.getOrDefault(person.id(), List.of()));
            names.add(person.address());
            viewers.put(person.id(), new Viewer(person.id(), allowed(rules, names)));
        }
        return viewers;
    }

    private static List<Allowed> allowed(List<InForce> rules, List<String> names) {
        List<Allowed> allowed = new ArrayList<>();
        for (InForce each : rules) {
            Optional<Set<String>> given =
                    each.mapping().map(mapping -> mapping.given(names)).orElse(Optional.of(Set.of()));
            given.ifPresent(values -> allowed.add(Allowed.of(each.rule().column(), values)));
        }
        return allowed;
    }

    public List<InForce> inForce(Tx tx, DataSet dataSet) {
        return dataSets.rowRules(tx, dataSet.id()).stream()
                .map(rule -> inForce(tx, rule))
                .toList();
    }

    private InForce inForce(Tx tx, RowRule rule) {
        DataSet table = dataSets.find(tx, rule.mapping()).orElseThrow();
        Optional<Tables.Loaded> loaded = dataSets.newestLoad(tx, rule.mapping()).map(load -> tables.of(table, load));
        return new InForce(rule, table, loaded, loaded.map(rows -> mapping(rule, rows)));
    }

    private Mapping mapping(RowRule rule, Tables.Loaded loaded) {
        Key key = new Key(rule.mapping(), rule.who(), rule.values());
        Read known = read.get(key);
        if (known == null || !known.load().equals(loaded.load().id())) {
            Mapping mapping = new Mapping(loaded.slicing().table(), rule.who(), rule.values());
            known = new Read(loaded.load().id(), mapping);
            read.put(key, known);
        }
        return known.mapping();
    }
}
