package mailshelf.core.report;

import mailshelf.core.Id;

/** Names one report. */
public record ReportId(long value) implements Id {}
