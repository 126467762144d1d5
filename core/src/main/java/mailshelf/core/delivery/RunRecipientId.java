package mailshelf.core.delivery;

import mailshelf.core.Id;

/** Names one recipient of one run. */
public record RunRecipientId(long value) implements Id {}
