package mailshelf.server.delivery;

import java.util.List;
import mailshelf.core.Problem;
import mailshelf.core.delivery.RunId;
import mailshelf.server.HouseSettings;
import mailshelf.store.Database;
import mailshelf.store.archive.Archive;
import mailshelf.store.archive.Entry;
import mailshelf.store.archive.MailPieces;
import mailshelf.store.archive.Volume;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import org.springframework.stereotype.Component;

/** Reads parts of an issue out of its archive file; who may see them is asked before. */
@Component
public class ReadArchive {
    private final Database database;
    private final IssueStore issues;
    private final Archive archive;
    private final HouseSettings settings;

    ReadArchive(Database database, IssueStore issues, Archive archive, HouseSettings settings) {
        this.database = database;
        this.issues = issues;
        this.archive = archive;
        this.settings = settings;
    }

    public byte[] part(RunId run, String sha256) {
        Entry entry =
                database.inTransaction(tx -> issues.entry(tx, run, sha256)).orElseThrow(Problem::notFound);
        return archive.read(entry);
    }

    /** A mail, byte for byte as it was sent. */
    public byte[] mail(RunId run, String sha256) {
        return MailPieces.join(part(run, sha256), shared -> part(run, shared));
    }

    /** The archive file that this server adds to for an issue; its own, whoever made the issue. */
    String ownVolume(Issue issue) {
        Volume own = Volume.of(
                issue.subscription(), issue.run(), issue.number(), issue.revision(), issue.dueAt(), settings.server());
        List<String> volumes = database.inTransaction(tx -> issues.volumes(tx, issue.run()));
        return volumes.stream()
                .filter(volume -> Volume.isWrittenBy(volume, settings.server()))
                .findFirst()
                .or(() -> volumes.stream().findFirst().map(own::beside))
                .orElse(own.path());
    }
}
