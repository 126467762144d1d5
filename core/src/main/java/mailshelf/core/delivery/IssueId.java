package mailshelf.core.delivery;

import mailshelf.core.Id;

/** Names one issue. */
public record IssueId(long value) implements Id {}
