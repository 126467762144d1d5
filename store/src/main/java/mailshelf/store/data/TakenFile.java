package mailshelf.store.data;

import java.time.Instant;

/** A file of a watched folder as it was when it was taken. */
public record TakenFile(String name, long sizeBytes, Instant modifiedAt) {}
