package mailshelf.core.delivery;

import mailshelf.core.Id;

/** Names one delivery to one recipient. */
public record DeliveryId(long value) implements Id {}
