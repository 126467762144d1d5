package mailshelf.core.delivery;

import mailshelf.core.Id;

/** Names one notice. */
public record NoticeId(long value) implements Id {}
