package mailshelf.server.delivery;

import mailshelf.core.Problem;
import mailshelf.core.delivery.RunId;
import mailshelf.store.Database;
import mailshelf.store.archive.Archive;
import mailshelf.store.archive.Entry;
import mailshelf.store.archive.MailPieces;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import org.springframework.stereotype.Component;

/** Reads parts of an issue out of its archive file; who may see them is asked before. */
@Component
public class ReadArchive {
    private final Database database;
    private final IssueStore issues;
    private final Archive archive;

    ReadArchive(Database database, IssueStore issues, Archive archive) {
        this.database = database;
        this.issues = issues;
        this.archive = archive;
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

    /** The archive file that an issue's manifest lies in. */
    String volume(Issue issue) {
        return database.inTransaction(tx -> issues.entry(tx, issue.run(), issue.manifestSha()))
                .map(Entry::volume)
                .orElseThrow();
    }
}
