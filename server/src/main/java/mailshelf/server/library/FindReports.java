package mailshelf.server.library;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import mailshelf.core.report.Definition;
import mailshelf.core.report.Findable;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Folder;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.wording.Alphabet;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.FolderStore;
import org.springframework.stereotype.Component;

/** Finds reports by words, among those that somebody may see; the best answers first. */
@Component
class FindReports {
    private final Gate gate;
    private final Database database;
    private final FolderStore folders;
    private final ReportStore reports;
    private final Definitions definitions;
    private final Map<Place, Known> known = new ConcurrentHashMap<>();

    /** A report under the folders that somebody may know of. */
    private record Place(ReportId report, List<String> folders) {}

    /** What a report is found by, as long as it is the same version. */
    private record Known(int version, Findable findable) {}

    /**
     * An answer.
     *
     * @param foundIn the tag, page, folder or column that it was found by, where that was not title or description
     */
    record Hit(ReportId report, String title, String about, String folder, Optional<String> foundIn) {}

    private record Ranked(Report report, Findable findable, int rank) {}

    FindReports(Gate gate, Database database, FolderStore folders, ReportStore reports, Definitions definitions) {
        this.gate = gate;
        this.database = database;
        this.folders = folders;
        this.reports = reports;
        this.definitions = definitions;
    }

    /** The best few, while somebody types. */
    List<Hit> hits(Person who, String words, int most) {
        List<String> question = Findable.question(words);
        if (question.isEmpty()) {
            return List.of();
        }
        return database.inTransaction(tx -> {
            Gate.Access access = gate.access(tx, who);
            Map<FolderId, Folder> byId = byId(tx);
            List<Report> visible = reports.all(tx).stream()
                    .filter(report -> access.may(Verb.SEE, report.folder()))
                    .toList();
            return ranked(tx, visible, question, byId, folder -> access.may(Verb.KNOW, folder)).stream()
                    .limit(most)
                    .map(found -> hit(tx, found, question, byId))
                    .toList();
        });
    }

    /** Reads what reports are found by, before anybody asks. */
    void know(List<Report> all) {
        Map<FolderId, Folder> byId = database.inTransaction(this::byId);
        all.forEach(report ->
                database.doInTransaction(tx -> findable(tx, report, path(report.folder(), byId, any -> true))));
    }

    /** Those of some reports that answer a question, the best first; all of them where nothing is asked. */
    List<Report> answering(Tx tx, Gate.Access access, List<Report> among, String words) {
        List<String> question = Findable.question(words);
        return question.isEmpty()
                ? among
                : ranked(tx, among, question, byId(tx), folder -> access.may(Verb.KNOW, folder)).stream()
                        .map(Ranked::report)
                        .toList();
    }

    private Map<FolderId, Folder> byId(Tx tx) {
        Map<FolderId, Folder> byId = new HashMap<>();
        folders.all(tx).forEach(folder -> byId.put(folder.id(), folder));
        return byId;
    }

    private List<Ranked> ranked(
            Tx tx, List<Report> among, List<String> question, Map<FolderId, Folder> byId, Predicate<FolderId> isKnown) {
        List<Ranked> ranked = new ArrayList<>();
        for (Report report : among) {
            Findable findable = findable(tx, report, path(report.folder(), byId, isKnown));
            findable.rank(question).ifPresent(rank -> ranked.add(new Ranked(report, findable, rank)));
        }
        ranked.sort(Comparator.comparing(Ranked::rank)
                .reversed()
                .thenComparing(found -> found.report().title(), Alphabet.order()));
        return ranked;
    }

    private Findable findable(Tx tx, Report report, List<String> path) {
        Place place = new Place(report.id(), path);
        Known before = known.get(place);
        if (before != null && before.version() == report.version()) {
            return before.findable();
        }
        Findable findable = new Findable(definitions.definition(tx, report), path);
        known.put(place, new Known(report.version(), findable));
        return findable;
    }

    /** The names of the folders above it that are known: a hit names no other. */
    private static List<String> path(FolderId folder, Map<FolderId, Folder> byId, Predicate<FolderId> isKnown) {
        List<String> names = new ArrayList<>();
        Optional<FolderId> at = Optional.of(folder);
        while (at.isPresent()) {
            Folder here = byId.get(at.get());
            if (isKnown.test(here.id())) {
                names.add(here.name());
            }
            at = here.parent();
        }
        return names;
    }

    private Hit hit(Tx tx, Ranked found, List<String> question, Map<FolderId, Folder> byId) {
        Definition definition = definitions.definition(tx, found.report());
        return new Hit(
                found.report().id(),
                definition.title(),
                definition.about(),
                byId.get(found.report().folder()).name(),
                found.findable().foundIn(question));
    }
}
