package mailshelf.server.source;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.SourceId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.wording.OneLine;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.people.FolderStore;
import mailshelf.store.source.DatabaseAddress;
import mailshelf.store.source.Databases;
import mailshelf.store.source.Secrets;
import mailshelf.store.source.Source;
import mailshelf.store.source.SourceRoots;
import mailshelf.store.source.SourceStore;
import org.springframework.stereotype.Component;

/** Registers sources, tests them, and tells who uses them. Administrators do; publishers of their folders use them. */
@Component
class MindSources {
    /** As many as a data set may hold on one machine. */
    private static final int MOST_ROWS = 2_000_000;

    private static final int MOST_SECONDS = 600;
    private static final int LONGEST_PLACE = 1000;
    private static final int LONGEST_USER = 120;
    private static final int LONGEST_PASSWORD = 500;

    private final Gate gate;
    private final Database database;
    private final Durable durable;
    private final SourceStore sources;
    private final DataSetStore dataSets;
    private final FolderStore folders;
    private final Databases databases;
    private final CheckSources check;
    private final Secrets secrets;
    private final SourceRoots roots;
    private final AuditTrail audit;

    /**
     * A source as it is to be.
     *
     * @param password empty for the one that is kept
     */
    record SourceWish(
            FolderId folder,
            String name,
            Source.Kind kind,
            String place,
            String user,
            Optional<String> password,
            int seconds,
            int mostRows) {}

    record SourceUse(DataSetId id, String name) {}

    /**
     * A source, without its secret.
     *
     * @param checkedAt when it was looked whether it can be reached; empty if never
     * @param failure why it could not; "" where it could
     * @param place "" for those who may use it but not mind it, as is the user
     */
    record SourceView(
            SourceId id,
            FolderId folder,
            String folderName,
            String name,
            Source.Kind kind,
            String place,
            String user,
            boolean hasPassword,
            int seconds,
            int mostRows,
            Optional<Instant> checkedAt,
            String failure,
            List<SourceUse> usedBy) {}

    MindSources(
            Gate gate,
            Database database,
            Durable durable,
            SourceStore sources,
            DataSetStore dataSets,
            FolderStore folders,
            Databases databases,
            CheckSources check,
            Secrets secrets,
            SourceRoots roots,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.durable = durable;
        this.sources = sources;
        this.dataSets = dataSets;
        this.folders = folders;
        this.databases = databases;
        this.check = check;
        this.secrets = secrets;
        this.roots = roots;
        this.audit = audit;
    }

    /** Those that one may use, or reads by his role. */
    List<SourceView> list(Person who) {
        return database.inTransaction(tx -> {
            Gate.Access access = gate.access(tx, who);
            return sources.all(tx).stream()
                    .filter(source -> gate.readsHouse(who) || access.may(Verb.PUBLISH, source.folder()))
                    .map(source -> view(tx, who, source))
                    .toList();
        });
    }

    private SourceView view(Tx tx, Person who, Source source) {
        boolean minds = gate.readsHouse(who);
        SourceStore.Checked checked = sources.checked(tx, source.id());
        return new SourceView(
                source.id(),
                source.folder(),
                folders.find(tx, source.folder()).orElseThrow().name(),
                source.name(),
                source.kind(),
                minds ? source.place() : "",
                minds ? source.user() : "",
                !source.secret().isEmpty(),
                source.seconds(),
                source.mostRows(),
                checked.at(),
                checked.failure(),
                usedBy(tx, source.id()));
    }

    private List<SourceUse> usedBy(Tx tx, SourceId id) {
        return dataSets.of(tx, id).stream()
                .map(dataSet -> new SourceUse(dataSet.id(), dataSet.name()))
                .toList();
    }

    SourceView add(Person who, SourceWish wish) {
        gate.requireAdministrator(who);
        requireFields(wish);
        SourceView made = database.inTransaction(tx -> {
            requireFolder(tx, wish);
            requireFree(tx, wish.name(), Optional.empty());
            SourceId id = sources.insert(tx, wished(new SourceId(0), wish, ""));
            audit.keep(tx, who, Act.SOURCE_ADDED, Thing.of(Thing.Kind.SOURCE, id, wish.name()), "", said(wish));
            return view(tx, who, sources.find(tx, id).orElseThrow());
        });
        durable.await();
        return made;
    }

    SourceView change(Person who, SourceId id, SourceWish wish) {
        gate.requireAdministrator(who);
        requireFields(wish);
        SourceView changed = database.inTransaction(tx -> {
            Source before = sources.find(tx, id).orElseThrow(Problem::notFound);
            requireFolder(tx, wish);
            requireFree(tx, wish.name(), Optional.of(id));
            // a query makes no sense to a folder, nor the name of a file to a database
            if (before.kind() != wish.kind() && !usedBy(tx, id).isEmpty()) {
                throw new Problem(Problem.Kind.CONFLICT, "source.in-use", before.name(), names(tx, id));
            }
            sources.update(tx, wished(id, wish, before.secret()));
            String was = said(before.kind(), before.place(), before.user());
            audit.keep(tx, who, Act.SOURCE_CHANGED, Thing.of(Thing.Kind.SOURCE, id, wish.name()), was, said(wish));
            return view(tx, who, sources.find(tx, id).orElseThrow());
        });
        durable.await();
        return changed;
    }

    void remove(Person who, SourceId id) {
        gate.requireAdministrator(who);
        database.doInTransaction(tx -> {
            Source source = sources.find(tx, id).orElseThrow(Problem::notFound);
            if (!usedBy(tx, id).isEmpty()) {
                throw new Problem(Problem.Kind.CONFLICT, "source.in-use", source.name(), names(tx, id));
            }
            sources.delete(tx, id);
            audit.keep(tx, who, Act.SOURCE_REMOVED, Thing.of(Thing.Kind.SOURCE, id, source.name()));
        });
        durable.await();
    }

    /**
     * Whether a source can be reached as it is wished; nothing is kept.
     *
     * @param id whose password is taken where the wish has none
     * @throws Problem that says why not
     */
    void test(Person who, Optional<SourceId> id, SourceWish wish) {
        gate.requireAdministrator(who);
        requireFields(wish);
        String secret = database.inTransaction(tx -> id.map(known ->
                        sources.find(tx, known).orElseThrow(Problem::notFound).secret())
                .orElse(""));
        check.reach(wished(id.orElse(new SourceId(0)), wish, secret));
    }

    private Source wished(SourceId id, SourceWish wish, String secret) {
        return new Source(
                id,
                wish.folder(),
                wish.name(),
                wish.kind(),
                wish.place().strip(),
                wish.user().strip(),
                wish.password().map(secrets::encrypt).orElse(secret),
                wish.seconds(),
                wish.mostRows());
    }

    private void requireFields(SourceWish wish) {
        List<Problem.Fault> faults = new ArrayList<>();
        require(OneLine.isName(wish.name()), "name", "a name of 1 to " + OneLine.LONGEST_NAME + " characters", faults);
        String place = wish.place().strip();
        if (wish.kind() == Source.Kind.DATABASE) {
            boolean isPlace = place.length() <= LONGEST_PLACE && databases.isAddress(place);
            require(isPlace, "place", "an address such as " + String.join(", ", DatabaseAddress.examples()), faults);
        } else {
            boolean isPlace = !place.isBlank() && place.length() <= LONGEST_PLACE;
            require(isPlace, "place", "the whole path of a folder on the server", faults);
        }
        require(wish.user().length() <= LONGEST_USER, "user", "at most " + LONGEST_USER + " characters", faults);
        boolean isPassword = wish.password().orElse("").length() <= LONGEST_PASSWORD;
        require(isPassword, "password", "at most " + LONGEST_PASSWORD + " characters", faults);
        require(wish.seconds() >= 1 && wish.seconds() <= MOST_SECONDS, "seconds", "1 to " + MOST_SECONDS, faults);
        require(wish.mostRows() >= 1 && wish.mostRows() <= MOST_ROWS, "mostRows", "1 to " + MOST_ROWS, faults);
        if (!faults.isEmpty()) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "source.bad-fields",
                    faults,
                    faults.get(0).message());
        }
        if (wish.kind() == Source.Kind.FOLDER) {
            roots.real(place);
        }
    }

    private static void require(boolean fits, String field, String wanted, List<Problem.Fault> faults) {
        if (!fits) {
            faults.add(new Problem.Fault(field, field + ": " + wanted + " is needed"));
        }
    }

    private void requireFolder(Tx tx, SourceWish wish) {
        folders.find(tx, wish.folder()).orElseThrow(Problem::notFound);
    }

    private void requireFree(Tx tx, String name, Optional<SourceId> own) {
        sources.byName(tx, name)
                .map(Source::id)
                .filter(id -> !own.equals(Optional.of(id)))
                .ifPresent(id -> {
                    throw new Problem(Problem.Kind.CONFLICT, "source.name-taken", name);
                });
    }

    private String names(Tx tx, SourceId id) {
        return String.join(", ", usedBy(tx, id).stream().map(SourceUse::name).toList());
    }

    private static String said(SourceWish wish) {
        return said(wish.kind(), wish.place(), wish.user());
    }

    private static String said(Source.Kind kind, String place, String user) {
        return kind.name().toLowerCase(java.util.Locale.ROOT) + " " + place + (user.isEmpty() ? "" : " as " + user);
    }
}
