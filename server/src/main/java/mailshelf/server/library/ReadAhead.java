package mailshelf.server.library;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import mailshelf.core.data.DataSetId;
import mailshelf.server.data.Tables;
import mailshelf.store.Database;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Reads reports and their data once the server answers, so that nobody has to wait for them who comes first. */
@Component
class ReadAhead {
    private static final Logger LOG = LoggerFactory.getLogger(ReadAhead.class);

    private final Database database;
    private final ReportStore reports;
    private final DataSetStore dataSets;
    private final FindReports find;
    private final Definitions definitions;
    private final Tables tables;

    ReadAhead(
            Database database,
            ReportStore reports,
            DataSetStore dataSets,
            FindReports find,
            Definitions definitions,
            Tables tables) {
        this.database = database;
        this.reports = reports;
        this.dataSets = dataSets;
        this.find = find;
        this.definitions = definitions;
        this.tables = tables;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        Thread thread = new Thread(this::run, "read-ahead");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        thread.start();
    }

    /** What cannot be read is told to whoever asks for it. */
    private void run() {
        try {
            List<Report> all = database.inTransaction(reports::all);
            Set<DataSetId> read = new HashSet<>();
            for (Report report : all) {
                DataSet dataSet = database.inTransaction(
                        tx -> definitions.newest(tx, report).dataSet());
                if (read.add(dataSet.id()) && isLoaded(dataSet)) {
                    tables.newest(dataSet);
                }
            }
            find.know(all);
        } catch (RuntimeException e) {
            LOG.warn("Not all reports and data could be read ahead", e);
        }
    }

    private boolean isLoaded(DataSet dataSet) {
        return database.inTransaction(tx -> dataSets.newestLoad(tx, dataSet.id()))
                .isPresent();
    }
}
