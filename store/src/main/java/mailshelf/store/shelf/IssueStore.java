package mailshelf.store.shelf;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mailshelf.core.data.Seen;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunState;
import mailshelf.core.json.CoreJson;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.time.Window;
import mailshelf.core.wording.Shortened;
import mailshelf.store.Among;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.Where;
import mailshelf.store.Widths;
import mailshelf.store.archive.Entry;

/** Issues, their copies and files, where each part lies in the archive, and what stands on whose shelf. */
public final class IssueStore {
    private static final String ISSUE = """
            SELECT i.id, i.run, i.subscription, i.number, i.revision, i.outcome, i.reason, i.name, i.headline,
                   i.period, i.from_day, i.to_day, i.from_time, i.until_time, i.zone, i.since, i.due_at, i.made_at, i.manifest_sha, i.prev_sha,
                   r.subscription_version, r.state AS run_state, r.outcome AS run_outcome
              FROM issue i
              JOIN run r ON r.id = i.run
            """;
    private static final String COPY = "SELECT id, seen_as, slices, is_empty, headline FROM copy";
    private static final String ENTRY = """
            SELECT e.person, e.issue, e.read_at, c.id, c.seen_as, c.slices, c.is_empty, c.headline
              FROM shelf_entry e
              JOIN copy c ON c.id = e.copy
             WHERE e.person = ?""";
    private static final String MADE = "MADE";

    /** A file of a copy: its role (pdf, picture, figures, letter), name for people, and checksum. */
    public record CopyFile(String role, String name, String sha256, long sizeBytes) {
        /** Whether people read it, rather than what pages and mails are written from. */
        public boolean isForPeople() {
            return !role.equals("figures") && !role.equals("letter");
        }
    }

    /** Something put on a person's shelf. */
    public record ShelfEntry(PersonId person, IssueId issue, Copy copy, Optional<Instant> readAt) {}

    private static Issue issue(Row row) {
        return new Issue(
                new IssueId(row.number("id")),
                new RunId(row.number("run")),
                new SubscriptionId(row.number("subscription")),
                row.integer("subscription_version"),
                row.optionalNumber("number").map(Long::intValue),
                row.integer("revision"),
                row.text("outcome").equals(MADE),
                row.text("reason"),
                row.text("name"),
                row.text("headline"),
                row.text("period"),
                new Window(row.day("from_day"), row.day("to_day"), times(row)),
                row.optionalDay("since"),
                row.instant("due_at"),
                row.instant("made_at"),
                row.text("manifest_sha"),
                row.optionalText("prev_sha"),
                row.choice("run_state", RunState.class),
                row.choice("run_outcome", RunOutcome.class));
    }

    private static Optional<Window.Times> times(Row row) {
        return row.optionalTime("from_time")
                .map(since -> new Window.Times(
                        since, row.optionalTime("until_time").orElseThrow(), ZoneId.of(row.text("zone"))));
    }

    public Optional<Issue> find(Tx tx, IssueId id) {
        return tx.one(ISSUE + " WHERE i.id = ?", IssueStore::issue, id);
    }

    public Optional<Issue> ofRun(Tx tx, RunId run) {
        return tx.one(ISSUE + " WHERE i.run = ?", IssueStore::issue, run);
    }

    /** Numbered issues of the subscriptions that fell due since a moment, oldest first. */
    public List<Issue> since(Tx tx, Collection<SubscriptionId> subscriptions, Instant since) {
        Where where = new Where()
                .and("i.number IS NOT NULL")
                .and("i.due_at >= ?", since)
                .in("i.subscription", subscriptions);
        return tx.listReadable(
                ISSUE + where.sql() + " ORDER BY i.subscription, i.number", IssueStore::issue, where.values());
    }

    /** The newest numbered issues of one subscription, newest first. */
    public List<Issue> newest(Tx tx, SubscriptionId subscription, int most) {
        return upTo(tx, subscription, Integer.MAX_VALUE, most);
    }

    /** Those of one subscription that have this number or one before it, newest first. */
    public List<Issue> upTo(Tx tx, SubscriptionId subscription, int number, int most) {
        return tx.listReadable(ISSUE + """
                         WHERE i.subscription = ? AND i.number IS NOT NULL AND i.number <= ?
                         ORDER BY i.number DESC, i.revision DESC
                         FETCH FIRST ? ROWS ONLY""", IssueStore::issue, subscription, number, most);
    }

    /** The newest numbered issue of a subscription that was made, and not skipped or failed. */
    public Optional<Issue> lastMade(Tx tx, SubscriptionId subscription) {
        return tx.one(ISSUE + """
                         WHERE i.subscription = ? AND i.number IS NOT NULL AND i.outcome = ?
                         ORDER BY i.number DESC, i.revision DESC
                         FETCH FIRST 1 ROW ONLY""", IssueStore::issue, subscription, MADE);
    }

    /** The issue before or after a number, if there is one. */
    public Optional<Issue> neighbour(Tx tx, SubscriptionId subscription, int number, int step) {
        return tx.one(
                ISSUE + " WHERE i.subscription = ? AND i.number = ?", IssueStore::issue, subscription, number + step);
    }

    /** @param issue its id and what is said of its run are not looked at */
    public IssueId insert(Tx tx, Issue issue) {
        return new IssueId(tx.insert(
                """
                INSERT INTO issue (run, subscription, number, revision, outcome, reason, name, headline, period,
                                   from_day, to_day, from_time, until_time, zone, since, due_at, made_at,
                                   manifest_sha, prev_sha)
                VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)""",
                issue.run(),
                issue.subscription(),
                issue.number(),
                issue.revision(),
                issue.made() ? MADE : "NOT_MADE",
                Shortened.to(Widths.REASON, issue.reason()),
                issue.name(),
                Shortened.to(Widths.HEADLINE, issue.headline()),
                issue.period(),
                issue.window().fromInclusive(),
                issue.window().toInclusive(),
                issue.window().times().map(Window.Times::since),
                issue.window().times().map(Window.Times::until),
                issue.window().times().map(times -> times.zone().getId()),
                issue.since(),
                issue.dueAt(),
                issue.madeAt(),
                issue.manifestSha(),
                issue.previousSha()));
    }

    /** @param copy its id is not looked at */
    public CopyId insertCopy(Tx tx, IssueId issue, String contentKey, Copy copy, List<CopyFile> files) {
        CopyId id = new CopyId(tx.insert(
                """
                INSERT INTO copy (issue, content_key, seen_as, slices, is_empty, headline)
                VALUES (?, ?, ?, ?, ?, ?)""",
                issue,
                contentKey,
                copy.seenAs(),
                CoreJson.write(copy.slices()),
                copy.isEmpty(),
                Shortened.to(Widths.HEADLINE, copy.headline())));
        tx.updateEach(
                "INSERT INTO copy_file (copy, role, name, sha256, size_bytes) VALUES (?, ?, ?, ?, ?)",
                files.stream()
                        .map(file -> new Object[] {id, file.role(), file.name(), file.sha256(), file.sizeBytes()})
                        .toList());
        return id;
    }

    private static Copy copy(Row row) {
        return new Copy(
                new CopyId(row.number("id")),
                row.choice("seen_as", SeenAs.class),
                List.of(CoreJson.read(row.text("slices"), Seen[].class)),
                row.flag("is_empty"),
                row.text("headline"));
    }

    /** All copies of an issue, in the order in which they were made. */
    public List<Copy> copies(Tx tx, IssueId issue) {
        return tx.list(COPY + " WHERE issue = ? ORDER BY id", IssueStore::copy, issue);
    }

    public Optional<Copy> copy(Tx tx, IssueId issue, CopyId id) {
        return tx.one(COPY + " WHERE issue = ? AND id = ?", IssueStore::copy, issue, id);
    }

    public Map<CopyId, Copy> copies(Tx tx, Collection<CopyId> ids) {
        return tx.list(COPY + Among.ids("id"), IssueStore::copy, Set.copyOf(ids)).stream()
                .collect(Collectors.toMap(Copy::id, copy -> copy));
    }

    public List<CopyFile> files(Tx tx, CopyId copy) {
        return tx.list(
                "SELECT role, name, sha256, size_bytes FROM copy_file WHERE copy = ? ORDER BY role, name",
                row -> new CopyFile(row.text("role"), row.text("name"), row.text("sha256"), row.number("size_bytes")),
                copy);
    }

    public void insertEntries(Tx tx, RunId run, List<Entry> entries) {
        tx.updateEach(
                "INSERT INTO entry (run, sha256, volume, start_at, size_bytes) VALUES (?, ?, ?, ?, ?)",
                entries.stream()
                        .map(entry ->
                                new Object[] {run, entry.sha256(), entry.volume(), entry.startAt(), entry.sizeBytes()})
                        .toList());
    }

    public Optional<Entry> entry(Tx tx, RunId run, String sha256) {
        return tx.one(
                "SELECT sha256, volume, start_at, size_bytes FROM entry WHERE run = ? AND sha256 = ?",
                IssueStore::entry,
                run,
                sha256);
    }

    /** Where the last named entry of a run's volume ends; 0 where it has none. */
    public long end(Tx tx, RunId run, String volume) {
        // in the order of the index, which gives the last one without reading all
        return tx.one("""
                        SELECT sha256, volume, start_at, size_bytes FROM entry
                         WHERE run = ? AND volume = ?
                         ORDER BY run, volume, start_at DESC
                         FETCH FIRST 1 ROW ONLY""", IssueStore::entry, run, volume).map(Entry::endAt).orElse(0L);
    }

    /** The checksums of all manifests. */
    public Set<String> manifests(Tx tx) {
        return Set.copyOf(tx.list("SELECT manifest_sha FROM issue", row -> row.text("manifest_sha")));
    }

    /** The files that hold a run's parts. */
    public List<String> volumes(Tx tx, RunId run) {
        return tx.list(
                "SELECT DISTINCT volume FROM entry WHERE run = ? ORDER BY volume", row -> row.text("volume"), run);
    }

    private static Entry entry(Row row) {
        return new Entry(row.text("sha256"), row.text("volume"), row.number("start_at"), row.number("size_bytes"));
    }

    /** How many issues of the same reports stand on one person's shelf. */
    public record Shelf(PersonId person, Set<ReportId> reports, long issues) {}

    public List<Shelf> shelves(Tx tx) {
        return tx.list("""
                SELECT person, reports, COUNT(*) AS issues
                  FROM (SELECT e.person, e.issue, LISTAGG(r.report, ',') WITHIN GROUP (ORDER BY r.report) AS reports
                          FROM shelf_entry e
                          JOIN issue i ON i.id = e.issue
                          JOIN run_source r ON r.run = i.run
                         GROUP BY e.person, e.issue)
                 GROUP BY person, reports""", IssueStore::ofReports);
    }

    private static Shelf ofReports(Row row) {
        Set<ReportId> reports = Arrays.stream(row.text("reports").split(","))
                .map(id -> new ReportId(Long.parseLong(id)))
                .collect(Collectors.toSet());
        return new Shelf(new PersonId(row.number("person")), reports, row.number("issues"));
    }

    /** @param copies each person's copy */
    public void putOnShelves(Tx tx, IssueId issue, Map<PersonId, CopyId> copies) {
        tx.updateEach(
                "INSERT INTO shelf_entry (person, issue, copy) VALUES (?, ?, ?)",
                copies.entrySet().stream()
                        .map(entry -> new Object[] {entry.getKey(), issue, entry.getValue()})
                        .toList());
    }

    public List<ShelfEntry> shelf(Tx tx, PersonId person) {
        return tx.listReadable(ENTRY, IssueStore::shelfEntry, person);
    }

    public Optional<ShelfEntry> shelfEntry(Tx tx, PersonId person, IssueId issue) {
        return tx.one(ENTRY + " AND e.issue = ?", IssueStore::shelfEntry, person, issue);
    }

    private static ShelfEntry shelfEntry(Row row) {
        return new ShelfEntry(
                new PersonId(row.number("person")),
                new IssueId(row.number("issue")),
                copy(row),
                row.optionalInstant("read_at"));
    }

    /** @param readAt empty marks it unread again */
    public void setRead(Tx tx, PersonId person, IssueId issue, Optional<Instant> readAt) {
        tx.update("UPDATE shelf_entry SET read_at = ? WHERE person = ? AND issue = ?", readAt, person, issue);
    }
}
