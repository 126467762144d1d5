package mailshelf.demo;

import java.time.LocalDate;
import java.util.Optional;
import mailshelf.server.DataKind;
import mailshelf.store.Database;
import mailshelf.store.SettingStore;
import org.springframework.stereotype.Component;

/** What the demo remembers about itself: the day it was opened, which data sets are fed, and up to which day. */
@Component
public class DemoState {
    private static final String DATA_SET = "demo-data-set-";
    private static final String LOADER = "demo-loader";
    private static final String LOADED_TO = "demo-loaded-to-";
    private static final String READY = "demo-ready";

    private final Database database;
    private final SettingStore settings;

    DemoState(Database database, SettingStore settings) {
        this.database = database;
        this.settings = settings;
    }

    Optional<LocalDate> openingDay() {
        return find(DataKind.DEMO_OPENED).map(LocalDate::parse);
    }

    void open(LocalDate day) {
        put(DataKind.DEMO_OPENED, day.toString());
    }

    /** @param feed whose rows go into the data set */
    void feed(String feed, long dataSet) {
        put(DATA_SET + feed, Long.toString(dataSet));
    }

    long dataSet(String feed) {
        return find(DATA_SET + feed).map(Long::valueOf).orElseThrow();
    }

    /** Who brings all rows in. */
    void loader(long person) {
        put(LOADER, Long.toString(person));
    }

    long loader() {
        return find(LOADER).map(Long::valueOf).orElseThrow();
    }

    /** The last day of a feed that is loaded; empty before the first. */
    Optional<LocalDate> loadedTo(String feed) {
        return find(LOADED_TO + feed).map(LocalDate::parse);
    }

    void loaded(String feed, LocalDate day) {
        put(LOADED_TO + feed, day.toString());
    }

    boolean isReady() {
        return find(READY).isPresent();
    }

    void ready() {
        put(READY, "yes");
    }

    private Optional<String> find(String name) {
        return database.inTransaction(tx -> settings.find(tx, name));
    }

    private void put(String name, String content) {
        database.doInTransaction(tx -> settings.put(tx, name, content));
    }
}
