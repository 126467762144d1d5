package mailshelf.store.people;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.rights.Folder;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Grant;
import mailshelf.core.rights.GroupId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Rights;
import mailshelf.core.rights.Subject;
import mailshelf.core.rights.Verb;
import mailshelf.core.wording.Alphabet;
import mailshelf.store.Row;
import mailshelf.store.Tx;

/** Folders and what is granted in them. */
public final class FolderStore {
    private static final String NOTHING = "NOTHING";

    private record Key(Subject subject, FolderId folder) {}

    private static Folder folder(Tx tx, Row row) {
        Folder is = new Folder(
                new FolderId(row.number("id")), row.optionalNumber("parent").map(FolderId::new), row.text("name"));
        return tx.supposed(SupposedRights.class).map(would -> would.folder(is)).orElse(is);
    }

    public List<Folder> all(Tx tx) {
        return Alphabet.sorted(tx.list("SELECT id, parent, name FROM folder", row -> folder(tx, row)), Folder::name);
    }

    public Optional<Folder> find(Tx tx, FolderId id) {
        return tx.one("SELECT id, parent, name FROM folder WHERE id = ?", row -> folder(tx, row), id);
    }

    public void change(Tx tx, Folder folder) {
        tx.update("UPDATE folder SET parent = ?, name = ? WHERE id = ?", folder.parent(), folder.name(), folder.id());
    }

    /** What stands in a folder itself: of each kind, how many. */
    public record Content(
            long folders,
            long reports,
            long removedReports,
            long dataSets,
            long removedDataSets,
            long sources,
            long namedValues) {
        public boolean isEmpty() {
            return folders + reports + removedReports + dataSets + removedDataSets + sources + namedValues == 0;
        }
    }

    public Content content(Tx tx, FolderId id) {
        return new Content(
                tx.count("SELECT COUNT(*) AS n FROM folder WHERE parent = ?", id),
                tx.count("SELECT COUNT(*) AS n FROM report WHERE folder = ? AND removed_at IS NULL", id),
                tx.count("SELECT COUNT(*) AS n FROM report WHERE folder = ? AND removed_at IS NOT NULL", id),
                tx.count("SELECT COUNT(*) AS n FROM data_set WHERE folder = ? AND removed_at IS NULL", id),
                tx.count("SELECT COUNT(*) AS n FROM data_set WHERE folder = ? AND removed_at IS NOT NULL", id),
                tx.count("SELECT COUNT(*) AS n FROM source WHERE folder = ?", id),
                tx.count("SELECT COUNT(*) AS n FROM named_value WHERE folder = ?", id));
    }

    /** One with nothing in it, and what was granted in it. */
    public void delete(Tx tx, FolderId id) {
        tx.update("DELETE FROM granted WHERE folder = ?", id);
        tx.update("DELETE FROM folder WHERE id = ?", id);
    }

    public FolderId insert(Tx tx, Optional<FolderId> parent, String name) {
        return new FolderId(tx.insert("INSERT INTO folder (parent, name) VALUES (?, ?)", parent, name));
    }

    /** All rights of the house, as they stand in this transaction. */
    public Rights rights(Tx tx) {
        Map<FolderId, Optional<FolderId>> parents = new HashMap<>();
        all(tx).forEach(folder -> parents.put(folder.id(), folder.parent()));
        return new Rights(parents, grants(tx));
    }

    public List<Grant> grants(Tx tx) {
        Map<Key, Set<Verb>> verbs = new LinkedHashMap<>();
        tx.list("SELECT subject_kind, subject, folder, verb FROM granted ORDER BY folder, subject", row -> {
            Key key = new Key(subject(row), new FolderId(row.number("folder")));
            Set<Verb> own = verbs.computeIfAbsent(key, k -> new HashSet<>());
            if (!row.text("verb").equals(NOTHING)) {
                own.add(row.choice("verb", Verb.class));
            }
            return key;
        });
        List<Grant> all = verbs.entrySet().stream()
                .map(entry -> new Grant(entry.getKey().subject(), entry.getKey().folder(), entry.getValue()))
                .toList();
        return tx.supposed(SupposedRights.class).map(would -> would.grants(all)).orElse(all);
    }

    /** Whether somebody is granted a right in some folder, himself or by a group. */
    public boolean isGranted(Tx tx, PersonId person, Verb verb) {
        return tx.one("""
                        SELECT 1 FROM granted g
                         WHERE g.verb = ?
                           AND (g.subject_kind = 'PERSON' AND g.subject = ?
                                OR g.subject_kind = 'GROUP'
                                   AND g.subject IN (SELECT grp FROM membership WHERE person = ?))
                         FETCH FIRST 1 ROW ONLY""", row -> true, verb, person, person).isPresent();
    }

    private static Subject subject(Row row) {
        long id = row.number("subject");
        return row.text("subject_kind").equals("GROUP")
                ? new Subject.OfGroup(new GroupId(id))
                : new Subject.OfPerson(new PersonId(id));
    }

    /** Puts a grant in the place of what the subject was granted in this folder before. */
    public void put(Tx tx, Grant grant) {
        remove(tx, grant.subject(), grant.folder());
        if (grant.verbs().isEmpty()) {
            insertVerb(tx, grant, NOTHING);
        }
        grant.verbs().forEach(verb -> insertVerb(tx, grant, verb.name()));
    }

    /** Takes it away, so that the folder above counts again. */
    public void remove(Tx tx, Subject subject, FolderId folder) {
        tx.update(
                "DELETE FROM granted WHERE subject_kind = ? AND subject = ? AND folder = ?",
                kind(subject),
                number(subject),
                folder);
    }

    private static void insertVerb(Tx tx, Grant grant, String verb) {
        tx.update(
                "INSERT INTO granted (subject_kind, subject, folder, verb) VALUES (?, ?, ?, ?)",
                kind(grant.subject()),
                number(grant.subject()),
                grant.folder(),
                verb);
    }

    private static String kind(Subject subject) {
        return subject instanceof Subject.OfGroup ? "GROUP" : "PERSON";
    }

    private static long number(Subject subject) {
        return subject instanceof Subject.OfGroup group
                ? group.group().value()
                : ((Subject.OfPerson) subject).person().value();
    }
}
