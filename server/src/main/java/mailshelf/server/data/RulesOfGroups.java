package mailshelf.server.data;

import java.util.List;
import java.util.Locale;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import org.springframework.stereotype.Component;

/** Which row rules know a group by its name. */
@Component
public class RulesOfGroups {
    private final DataSetStore dataSets;
    private final Viewers viewers;

    RulesOfGroups(DataSetStore dataSets, Viewers viewers) {
        this.dataSets = dataSets;
        this.viewers = viewers;
    }

    /** The names of the data sets whose mapping tables name the group. */
    public List<String> naming(Tx tx, String group) {
        String known = group.strip().toLowerCase(Locale.ROOT);
        return dataSets.all(tx).stream()
                .filter(dataSet -> viewers.inForce(tx, dataSet).stream()
                        .flatMap(rule -> rule.mapping().stream())
                        .anyMatch(mapping -> mapping.names().contains(known)))
                .map(DataSet::name)
                .toList();
    }
}
