package mailshelf.server.library;

import java.time.Instant;
import java.util.List;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.function.Predicate;
import mailshelf.core.Problem;
import mailshelf.core.data.DataSetId;
import mailshelf.core.report.Definition;
import mailshelf.core.report.DefinitionReader;
import mailshelf.core.report.ReportId;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import org.springframework.stereotype.Component;

/** Published definitions, read; a version never changes, so each is read once. */
@Component
public class Definitions {
    private final ReportStore reports;
    private final DataSetStore dataSets;
    private final ConcurrentMap<Key, Read> read = new ConcurrentHashMap<>();

    private record Key(ReportId report, int version) {}

    private record Read(Definition definition, DataSetId dataSet) {}

    /** A definition with the data set that it is over, as that stands now. */
    public record Published(Definition definition, DataSet dataSet) {}

    Definitions(ReportStore reports, DataSetStore dataSets) {
        this.reports = reports;
        this.dataSets = dataSets;
    }

    /** The reports that are over a data set. */
    public List<ReportId> over(Tx tx, DataSetId dataSet) {
        return over(tx, dataSet, reports.all(tx));
    }

    /** Those over it that were removed from the library. */
    public List<ReportId> removedOver(Tx tx, DataSetId dataSet) {
        return over(tx, dataSet, reports.removed(tx));
    }

    private List<ReportId> over(Tx tx, DataSetId dataSet, List<Report> among) {
        return among.stream()
                .filter(report -> newest(tx, report).dataSet().id().equals(dataSet))
                .map(Report::id)
                .toList();
    }

    public Published newest(Tx tx, ReportId report) {
        return newest(tx, reports.find(tx, report).orElseThrow());
    }

    public Published newest(Tx tx, Report report) {
        return version(tx, report.id(), report.version());
    }

    /** The newest definition alone, which is quick for thousands once they are read. */
    Definition definition(Tx tx, Report report) {
        Read known = read.get(new Key(report.id(), report.version()));
        return known == null ? newest(tx, report).definition() : known.definition();
    }

    /** As it was published at a moment; as it was first where that came after. */
    public Published asOf(Tx tx, ReportId report, Instant at) {
        int no = reports.versions(tx, report).stream()
                .filter(version -> !version.at().isAfter(at))
                .mapToInt(ReportStore.Version::no)
                .max()
                .orElse(1);
        return version(tx, report, no);
    }

    public Published version(Tx tx, ReportId report, int version) {
        Key key = new Key(report, version);
        Read known = read.get(key);
        if (known == null) {
            Published parsed = parse(tx, reports.yaml(tx, report, version), dataSet -> true);
            read.put(key, new Read(parsed.definition(), parsed.dataSet().id()));
            return parsed;
        }
        return new Published(
                known.definition(), dataSets.find(tx, known.dataSet()).orElseThrow());
    }

    /**
     * @param usable which data sets there are for whoever asks
     * @throws Problem for a text that is no definition, or whose data set does not exist
     */
    Published parse(Tx tx, String yaml, Predicate<DataSet> usable) {
        String name = DefinitionReader.dataSetOf(yaml);
        DataSet dataSet =
                dataSets.byName(tx, name).filter(usable).orElseThrow(() -> Problem.invalid("report.no-data-set", name));
        if (dataSet.dateColumn().isEmpty()) {
            throw Problem.invalid("report.no-days", name);
        }
        return new Published(DefinitionReader.read(yaml, dataSet.columns()), dataSet);
    }
}
