package mailshelf.store.library;

import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.PersonId;

/**
 * A published report: where it stands, whose it is, and its newest version's number.
 *
 * @param removed whether it is offered no more, and there for its issues alone
 */
public record Report(ReportId id, FolderId folder, PersonId owner, String title, int version, boolean removed) {}
