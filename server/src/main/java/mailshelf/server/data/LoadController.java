package mailshelf.server.data;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadMode;
import mailshelf.core.data.LoadPlan;
import mailshelf.core.data.Origin;
import mailshelf.core.data.csv.CsvTable;
import mailshelf.core.data.csv.DateForm;
import mailshelf.core.data.csv.DecimalMark;
import mailshelf.core.data.csv.Meant;
import mailshelf.core.json.CoreJson;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.server.http.ReadsOnly;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.data.DataSet;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Looking at rows before they are kept, and loading them, by hand or by a plan. */
@RestController
@RequestMapping("/api/v1/data-sets")
class LoadController {
    private final Gate gate;
    private final Database database;
    private final SampleRows samples;
    private final LoadClaims claims;
    private final LoadRows loadRows;
    private final FetchRows fetchRows;
    private final PlanLoads plans;

    /** @param columns types to read columns by instead of those that are found */
    record SampleWish(
            FolderId folder,
            Origin origin,
            Optional<List<Column>> columns,
            Optional<DateForm> dates,
            Optional<DecimalMark> decimalMark) {}

    LoadController(
            Gate gate,
            Database database,
            SampleRows samples,
            LoadClaims claims,
            LoadRows loadRows,
            FetchRows fetchRows,
            PlanLoads plans) {
        this.gate = gate;
        this.database = database;
        this.samples = samples;
        this.claims = claims;
        this.loadRows = loadRows;
        this.fetchRows = fetchRows;
        this.plans = plans;
    }

    /**
     * What a CSV file looks like, of which the first megabyte, or all if it is shorter, is the body; nothing is kept of it.
     *
     * @param columns types to read its columns by instead of those that are found, as a JSON list of columns
     * @param dates which form days are in that fit several
     * @param decimalMark which mark stands before decimals where numbers fit both
     */
    @ReadsOnly
    @PostMapping("/inspections")
    SampleRows.SampleView inspect(
            Person who,
            @RequestParam FolderId folder,
            @RequestParam Optional<String> columns,
            @RequestParam Optional<DateForm> dates,
            @RequestParam Optional<DecimalMark> decimalMark,
            HttpServletRequest request)
            throws IOException {
        database.doInTransaction(tx -> gate.requirePublish(tx, who, folder));
        Meant meant = new Meant(dates, decimalMark);
        return samples.of("", request.getInputStream(), columns.map(LoadController::columns), meant, who.zone());
    }

    private static List<Column> columns(String json) {
        try {
            return List.of(CoreJson.read(json, Column[].class));
        } catch (RuntimeException e) {
            throw Problem.invalid("request.bad-parameter", "columns", json);
        }
    }

    /** What a query, or the newest file of a watched folder, looks like; nothing is kept of it. */
    @ReadsOnly
    @PostMapping("/samples")
    SampleRows.SampleView sample(Person who, @RequestBody SampleWish wish) throws IOException {
        database.doInTransaction(tx -> gate.requirePublish(tx, who, wish.folder()));
        return samples.of(who, wish.origin(), wish.columns(), new Meant(wish.dates(), wish.decimalMark()));
    }

    /**
     * The body is CSV with a line of names; how it is written is found out.
     *
     * @param dates which form days are in that fit several
     * @param decimalMark which mark stands before decimals where numbers fit both
     * @param confirmed to load it though it loses most rows, or repeats those that are there
     */
    @PostMapping("/{id}/loads")
    @ResponseStatus(HttpStatus.CREATED)
    ReadDataSets.LoadView load(
            Person who,
            @PathVariable DataSetId id,
            @RequestParam(defaultValue = "REPLACE") LoadMode mode,
            @RequestParam Optional<DateForm> dates,
            @RequestParam Optional<DecimalMark> decimalMark,
            @RequestParam(defaultValue = "false") boolean confirmed,
            HttpServletRequest request)
            throws IOException {
        DataSet dataSet = publishable(who, id);
        if (dataSet.plan().origin().kind() != Origin.Kind.SENT) {
            throw new Problem(Problem.Kind.CONFLICT, "data.comes-by-itself", dataSet.name());
        }
        Incoming incoming = rows -> {
            Meant meant = new Meant(dates, decimalMark);
            IncomingCsv csv = new IncomingCsv(request.getInputStream(), who.zone(), meant);
            CsvTable.read(csv.reader(), csv.form(dataSet.columns()), dataSet.columns(), rows);
        };
        return ReadDataSets.LoadView.of(
                claims.whenFree(dataSet, () -> loadRows.run(Optional.of(who), dataSet, mode, confirmed, incoming)));
    }

    /**
     * Loads at once what its source has.
     *
     * @param confirmed to load it though it loses most rows, or repeats those that are there
     */
    @PostMapping("/{id}/loads/now")
    @ResponseStatus(HttpStatus.CREATED)
    ReadDataSets.LoadView loadNow(
            Person who, @PathVariable DataSetId id, @RequestParam(defaultValue = "false") boolean confirmed)
            throws IOException {
        DataSet dataSet = publishable(who, id);
        LoadMode mode = dataSet.plan().mode();
        return ReadDataSets.LoadView.of(claims.whenFree(
                dataSet, () -> loadRows.run(Optional.of(who), dataSet, mode, confirmed, fetchRows.all(dataSet))));
    }

    /** Puts the rows of an earlier load in use again, as a new load. */
    @PostMapping("/{id}/loads/{no}/again")
    @ResponseStatus(HttpStatus.CREATED)
    ReadDataSets.LoadView again(Person who, @PathVariable DataSetId id, @PathVariable int no) throws IOException {
        DataSet dataSet = publishable(who, id);
        return ReadDataSets.LoadView.of(claims.whenFree(dataSet, () -> loadRows.again(who, dataSet, no)));
    }

    @PutMapping("/{id}/plan")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void plan(Person who, @PathVariable DataSetId id, @RequestBody LoadPlan plan) {
        plans.change(who, id, plan);
    }

    private DataSet publishable(Person who, DataSetId id) {
        return database.inTransaction(tx -> gate.publishable(tx, who, id));
    }
}
