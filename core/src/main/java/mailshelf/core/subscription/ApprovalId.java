package mailshelf.core.subscription;

import mailshelf.core.Id;

/** Identifies a request to let a subscription go out. */
public record ApprovalId(long value) implements Id {}
