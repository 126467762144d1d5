package mailshelf.server.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import mailshelf.core.data.Column;
import mailshelf.core.data.LoadPlan;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.server.lease.LeaseKeeper;
import mailshelf.server.lease.Servers;
import mailshelf.store.Database;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.DueLoads;
import mailshelf.store.people.FolderStore;
import mailshelf.store.people.PersonStore;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Two people who load the same data set by hand, each at a server of their own. */
class LoadClaimsTest {
    @TempDir
    private Path folder;

    private final List<String> done = new CopyOnWriteArrayList<>();
    private Database database;
    private LeaseKeeper first;
    private LeaseKeeper second;
    private DataSet sailings;

    @BeforeEach
    void two_servers() {
        database = Database.open(folder);
        first = Servers.alive(database, folder, 1);
        second = Servers.alive(database, folder, 2);
        sailings = database.inTransaction(tx -> {
            PersonId ida = new PersonStore()
                    .insert(
                            tx,
                            new Person(
                                    new PersonId(0),
                                    "Ida",
                                    "ida@brinewater.example",
                                    ZoneOffset.UTC,
                                    Locale.ENGLISH,
                                    DayOfWeek.MONDAY,
                                    Set.of(),
                                    true),
                            Optional.empty());
            FolderId sales = new FolderStore().insert(tx, Optional.empty(), "Sales");
            DataSetStore dataSets = new DataSetStore();
            return dataSets.find(
                            tx,
                            dataSets.insert(
                                    tx,
                                    sales,
                                    ida,
                                    "sailings",
                                    List.of(Column.text("route")),
                                    Optional.empty(),
                                    LoadPlan.SENT))
                    .orElseThrow();
        });
    }

    @AfterEach
    void close() {
        first.stop();
        second.stop();
        database.close();
    }

    @Test
    void the_second_waits_until_the_first_has_loaded_and_a_plan_passes_it_over() throws Exception {
        LoadClaims here = new LoadClaims(database, new DueLoads(), first);
        LoadClaims there = new LoadClaims(database, new DueLoads(), second);
        CountDownLatch isLoading = new CountDownLatch(1);
        CompletableFuture<Void> mayEnd = new CompletableFuture<>();
        CompletableFuture<Void> one = CompletableFuture.runAsync(() -> load(here, "first", isLoading, mayEnd));
        assertThat(isLoading.await(30, TimeUnit.SECONDS)).isTrue();
        CompletableFuture<Void> other =
                CompletableFuture.runAsync(() -> load(there, "second", new CountDownLatch(1), mayEnd));

        there.ifFree(sailings.id(), () -> done.add("by plan"));
        here.ifFree(sailings.id(), () -> done.add("by plan at the same server"));
        mayEnd.complete(null);
        one.get(30, TimeUnit.SECONDS);
        other.get(30, TimeUnit.SECONDS);

        assertThat(done).containsExactly("first", "second");
    }

    private void load(LoadClaims claims, String name, CountDownLatch isLoading, CompletableFuture<Void> mayEnd) {
        try {
            claims.whenFree(sailings, () -> {
                isLoading.countDown();
                mayEnd.join();
                return done.add(name);
            });
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
