package mailshelf.core.report;

import mailshelf.core.Id;

/** Names one published version of a report. */
public record ReportVersionId(long value) implements Id {}
