package mailshelf.server.delivery;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.DataSetId;
import mailshelf.core.report.ReportId;
import mailshelf.core.subscription.Terms;
import mailshelf.server.library.Definitions;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.Load;
import mailshelf.store.data.LoadAttempt;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import org.springframework.stereotype.Component;

/** Pins what is sent to the newest versions of its reports and the newest loads of their data. */
@Component
class PinData {
    private final ReportStore reports;
    private final Definitions definitions;
    private final DataSetStore dataSets;

    PinData(ReportStore reports, Definitions definitions, DataSetStore dataSets) {
        this.reports = reports;
        this.definitions = definitions;
        this.dataSets = dataSets;
    }

    /** @throws Problem {@code data.none-loaded} */
    List<RunStore.Source> newest(Tx tx, Terms terms) {
        Map<DataSetId, Load> loads = new HashMap<>();
        return terms.reports().stream().map(report -> newest(tx, report, loads)).toList();
    }

    private RunStore.Source newest(Tx tx, ReportId id, Map<DataSetId, Load> loads) {
        Report report = reports.find(tx, id).orElseThrow();
        DataSet dataSet = definitions.newest(tx, report).dataSet();
        Load load = load(tx, dataSet, loads);
        return new RunStore.Source(id, report.version(), load.id(), Optional.empty(), failed(tx, dataSet));
    }

    /** The newest loads for the same versions of reports. */
    List<RunStore.Source> anew(Tx tx, List<RunStore.Source> sources) {
        Map<DataSetId, Load> loads = new HashMap<>();
        return sources.stream()
                .map(source -> {
                    DataSet dataSet = dataSet(tx, source);
                    return source.pinned(load(tx, dataSet, loads).id(), failed(tx, dataSet));
                })
                .toList();
    }

    DataSet dataSet(Tx tx, RunStore.Source source) {
        return definitions.version(tx, source.report(), source.version()).dataSet();
    }

    /** @param loads what is pinned already, so that all reports over the same data show the same */
    private Load load(Tx tx, DataSet dataSet, Map<DataSetId, Load> loads) {
        return loads.computeIfAbsent(
                dataSet.id(),
                id -> dataSets.newestLoad(tx, id)
                        .orElseThrow(() -> Problem.invalid("data.none-loaded", dataSet.name())));
    }

    private Optional<Instant> failed(Tx tx, DataSet dataSet) {
        return dataSets.failedLast(tx, dataSet.id()).map(LoadAttempt::at);
    }
}
