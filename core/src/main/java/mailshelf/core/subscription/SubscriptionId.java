package mailshelf.core.subscription;

import mailshelf.core.Id;

/** Names one subscription. */
public record SubscriptionId(long value) implements Id {}
