package mailshelf.server.demo;

import java.time.LocalDate;
import java.util.Optional;
import mailshelf.store.Database;
import mailshelf.store.SettingStore;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** What the demo remembers about itself: the day it was opened, which data set is fed, and up to which day. */
@Component
@Profile("demo")
class DemoState {
    private static final String OPENING = "demo-opening-day";
    private static final String DATA_SET = "demo-data-set";
    private static final String LOADER = "demo-loader";
    private static final String LOADED_TO = "demo-loaded-to";
    private static final String READY = "demo-ready";

    private final Database database;
    private final SettingStore settings;

    DemoState(Database database, SettingStore settings) {
        this.database = database;
        this.settings = settings;
    }

    Optional<LocalDate> openingDay() {
        return find(OPENING).map(LocalDate::parse);
    }

    void open(LocalDate day) {
        put(OPENING, day.toString());
    }

    void feed(long dataSet, long loader) {
        put(DATA_SET, Long.toString(dataSet));
        put(LOADER, Long.toString(loader));
    }

    Optional<Long> dataSet() {
        return find(DATA_SET).map(Long::valueOf);
    }

    long loader() {
        return find(LOADER).map(Long::valueOf).orElseThrow();
    }

    Optional<LocalDate> loadedTo() {
        return find(LOADED_TO).map(LocalDate::parse);
    }

    void loaded(LocalDate day) {
        put(LOADED_TO, day.toString());
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
