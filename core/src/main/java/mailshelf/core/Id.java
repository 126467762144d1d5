package mailshelf.core;

/** A key of a stored thing; each kind has its own record, so that one cannot pass for another. */
public interface Id {
    /** The key's number, positive. */
    long value();
}
